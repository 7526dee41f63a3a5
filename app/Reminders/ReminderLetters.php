<?php

declare(strict_types=1);

namespace App\Reminders;

use App\Mail\Letter;
use App\Models\Person;
use Carbon\CarbonImmutable;
use ChalkTree\Ask\Days;
use Illuminate\Contracts\Mail\Mailer;

/** Tells people by letter of what comes up: one letter a morning, where they live, with all that no letter told of yet. */
final readonly class ReminderLetters
{
    /** The hour from which letters are sent. */
    private const MORNING = 7;

    public function __construct(private Reminders $reminders, private Mailer $mailer)
    {
    }

    /** How many reminders the letter tells of; 0 where none is sent. */
    public function send(Person $person): int
    {
        if (CarbonImmutable::now($person->zone ?? 'UTC')->hour < self::MORNING) {
            return 0;
        }
        $new = array_values(array_filter($this->reminders->of($person), fn (DueReminder $one): bool => ! $one->isSent));
        if ($new === []) {
            return 0;
        }
        $this->mailer->to($person->email)->send(new Letter(self::subject($new), [
            "Hello {$person->name}. You wished to be told some days before:",
            ...array_map(self::paragraph(...), $new),
            'What is done, or put away in Chalk Tree, is not told of again.',
        ]));
        foreach ($new as $one) {
            $this->reminders->wasSent($one);
        }

        return count($new);
    }

    /** @param  non-empty-list<DueReminder>  $new */
    private static function subject(array $new): string
    {
        return count($new) === 1 ? 'A to-do comes up: '.self::title($new[0]) : count($new).' to-dos come up';
    }

    private static function paragraph(DueReminder $one): string
    {
        $who = $one->who === [] || $one->isPrivate ? '' : ', '.implode(', ', $one->who);

        return self::title($one).', due '.Days::long($one->by)." ({$one->when}){$who}\n".rtrim((string) config('app.url'), '/')."/maps/{$one->map}/topics/{$one->topic}";
    }

    /** What is private never leaves its map, and a letter goes through many hands. */
    private static function title(DueReminder $one): string
    {
        return $one->isPrivate ? 'A private to-do' : ($one->title === '' ? 'A to-do without a title' : $one->title);
    }
}
