<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Mail\Mailable;

/** A letter in plain text, a paragraph each. */
final class Letter extends Mailable
{
    /** @param  list<string>  $paragraphs */
    public function __construct(string $subject, private readonly array $paragraphs)
    {
        $this->subject($subject);
    }

    public function build(): self
    {
        return $this->text('letter', ['paragraphs' => $this->paragraphs]);
    }
}
