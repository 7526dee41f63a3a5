<?php

declare(strict_types=1);

use App\Store\PackedTexts;
use Tests\Support\Chance;

/* Texts that lie in one string. */

it('gives each text by its key, and all of them, as they were put in', function (int $seed) {
    $chance = new Chance($seed);
    $pieces = ['topic 01m8', '+01m8', '≡≡a b', "\n", "\t", "\0", '0', '00000012', 'é', 'below '];
    $texts = [];
    for ($i = $chance->int(0, 30); $i > 0; $i--) {
        $text = '';
        for ($n = $chance->int(0, 12); $n > 0; $n--) {
            $text .= $chance->pick($pieces);
        }
        $texts["topic {$i}"] = $text;
        $texts["+{$i}"] = "\ntopic {$i}\t0\t5\n{$text}";
    }
    $packed = PackedTexts::of($texts);
    expect(PackedTexts::all($packed))->toBe($texts);
    foreach ($texts as $key => $text) {
        expect(PackedTexts::text($packed, $key))->toBe($text);
    }
    // Neither a part of a key, nor what only a text says.
    expect(PackedTexts::text($packed, 'topic'))->toBeNull()->and(PackedTexts::text($packed, '≡≡a b'))->toBeNull()->and(PackedTexts::text($packed, ''))->toBeNull();
    foreach ([31, 32] as $none) {
        expect(PackedTexts::text(PackedTexts::of($texts + ['~' => "\ntopic {$none}\t0\t3\n"]), "topic {$none}"))->toBeNull();
    }
})->with(range(1, 20));
