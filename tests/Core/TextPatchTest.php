<?php

declare(strict_types=1);

use ChalkTree\Edit\ChangedSince;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TextPatch;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\NewMap;
use Tests\Support\Chance;

/** Goes to text and back, as a record does. */
function keptPatch(TextPatch $patch): TextPatch
{
    return TextPatch::fromArray(json_decode(json_encode($patch->toArray(), JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR), true));
}

it('makes any long text of any other that is near it, and back', function (int $seed) {
    $chance = new Chance($seed);
    $words = ['tide', 'größer', '提灯', '🏮🏮', "\n\n", 'é', ' ', 'lantern '];
    $text = fn (int $n): string => implode('', array_map(fn (): string => $chance->pick($words), range(1, max(1, $n))));
    $before = $text(300);
    $at = mb_strlen(mb_substr($before, 0, $chance->int(0, mb_strlen($before))));
    $after = mb_substr($before, 0, $at).$text($chance->int(0, 8)).mb_substr($before, $at + $chance->int(0, 12));
    $patch = TextPatch::between($before, $after);
    expect($patch)->not->toBeNull();
    $patch = keptPatch($patch);
    expect($patch->on($before))->toBe($after)->and($patch->reversed()->on($after))->toBe($before)
        ->and($patch->fits($before))->toBeTrue()->and($patch->fits($before.'x'))->toBeFalse()
        ->and(strlen((string) json_encode($patch->toArray())))->toBeLessThan(900);
})->with(range(1, 80));

it('keeps short texts, and those that have little in common, whole', function () {
    expect(TextPatch::between('short', 'shorter'))->toBeNull()
        ->and(TextPatch::between(str_repeat('a', 500), str_repeat('b', 500)))->toBeNull()
        ->and(TextPatch::between('', str_repeat('b', 500)))->toBeNull();
});

it('keeps what was typed in a long note, not the note, and undoes it only where it still fits', function () {
    $note = str_repeat("The tide turns at nine.\n", 20_000);
    $map = NewMap::from(new TopicDraft('Harbour', note: $note));
    $id = $map->root()->id;
    $made = Edits::apply(Edits::read('topic.note', ['topics' => [$id], 'note' => $note.'And again at three.']), $map);
    $kept = (string) json_encode($made->toArray());
    expect(strlen($kept))->toBeLessThan(400);
    $back = Changes::fromArray(json_decode($kept, true))->reversed();
    $changed = clone $map;
    Edits::apply(Edits::read('topic.note', ['topics' => [$id], 'note' => 'Something else']), $changed);
    expect(fn () => $back->applyTo($changed, new Recorder($changed)))->toThrow(ChangedSince::class);
    $back->applyTo($map, new Recorder($map));
    expect($map->root()->note)->toBe($note);
    Changes::fromArray(json_decode($kept, true))->lookOn($map);
    expect($map->root()->note)->toBe($note.'And again at three.');
});
