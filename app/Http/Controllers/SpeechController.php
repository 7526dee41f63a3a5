<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Aloud\Speech;
use App\Http\PlainJson;
use App\Http\Requests\Speak;
use App\Models\Person;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;

/** Reading aloud where the browser has no voice. */
final readonly class SpeechController
{
    public function __construct(private Speech $speech)
    {
    }

    public function voices(): JsonResponse
    {
        return new PlainJson(['languages' => $this->speech->languages()]);
    }

    public function speak(Speak $request, #[CurrentUser] Person $person): JsonResponse
    {
        $spoken = $this->speech->of($request->text(), $request->language(), (string) $person->getKey()) ?? throw new ServiceUnavailableHttpException(message: 'This cannot be read aloud just now. Try again in a moment.');

        return new PlainJson(['sound' => base64_encode($spoken->sound), 'words' => $spoken->wordsIn($request->text())]);
    }
}
