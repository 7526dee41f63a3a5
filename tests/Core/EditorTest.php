<?php

declare(strict_types=1);

use ChalkTree\Edit\ChangedSince;
use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Map\TopicMap;
use ChalkTree\Story\EditorChanges;
use ChalkTree\Story\ReturnedText;
use ChalkTree\Story\Story;

/* A manuscript that comes back from an editor. */

/** Words as pandoc has them. */
function inlines(string $text): array
{
    return array_merge(...array_map(fn (string $word, int $n): array => [...($n > 0 ? [['t' => 'Space']] : []), ['t' => 'Str', 'c' => $word]], explode(' ', $text), array_keys(explode(' ', $text))));
}

/** @param  array<mixed>  $inner */
function marked(string $class, array $inner, string $who = 'Ines'): array
{
    return ['t' => 'Span', 'c' => [['', [$class], [['author', $who], ['date', '2026-11-28T00:00:00Z']]], $inner]];
}

/** @param  string|list<array<mixed>>  $content */
function para(string|array $content, string $style = 'Scene text'): array
{
    return ['t' => 'Div', 'c' => [['', [], [['custom-style', $style]]], [['t' => 'Para', 'c' => is_string($content) ? inlines($content) : $content]]]];
}

function returned(array ...$blocks): ReturnedText
{
    return ReturnedText::read(json_encode(['pandoc-api-version' => [1, 23], 'meta' => (object) [], 'blocks' => $blocks], JSON_THROW_ON_ERROR));
}

/** What was changed, each as its scene, sort, and what it reads now. */
function changesOf(TopicMap $map, array ...$blocks): array
{
    $its = EditorChanges::of($map, Story::of($map, $map->sheet()->root), returned(...$blocks));

    return array_map(fn (array $one): array => [$one['title'], $one['sort'], $one['is']], $its->changes);
}

/** The story as it went out. */
function wentOut(): array
{
    return [
        para('About 30 words', 'Title page'), ['t' => 'Header', 'c' => [1, ['', [], []], inlines('One')]],
        para('Ida Marsh went out. Ida’s lamp was dark; Brill saw it.', 'Scene beginning'), para('#', 'Scene break'),
        para([...inlines('Nobody spoke of the'), ['t' => 'Space'], ['t' => 'Emph', 'c' => inlines('Salt Bell')], ['t' => 'Str', 'c' => '.']], 'Scene beginning'),
        ['t' => 'Header', 'c' => [1, ['', [], []], inlines('Two')]], para('Old Brill called for Ida.', 'Scene beginning'), para('#', 'Scene break'), para('It was still.', 'Scene beginning'),
    ];
}

it('finds nothing where nothing was changed, however quotes are set', function () {
    expect(changesOf(lampStory(), ...wentOut()))->toBe([]);
    $blocks = wentOut();
    $blocks[2] = para("Ida Marsh went out. Ida's lamp was dark; Brill saw it.");
    expect(changesOf(lampStory(), ...$blocks))->toBe([]);
});

it('takes tracked changes for taken over, and says who made them', function () {
    $blocks = wentOut();
    $blocks[8] = para([...inlines('It was'), ['t' => 'Space'], marked('deletion', inlines('still.')), marked('insertion', inlines('very still.'), 'Theo')]);
    $map = lampStory();
    $its = EditorChanges::of($map, Story::of($map, $map->sheet()->root), returned(...$blocks));
    expect($its->changes)->toHaveCount(1)
        ->and($its->changes[0])->toMatchArray(['title' => 'The morning', 'sort' => 'changed', 'was' => 'It was still.', 'is' => 'It was very still.', 'who' => ['Ines', 'Theo'], 'remarks' => []])
        ->and(array_column($its->changes[0]['pieces'], 'what'))->toContain('same', 'new')
        ->and($its->same)->toBe(3);
});

it('finds passages that are new, gone, rewritten, joined and remarked on', function () {
    $blocks = wentOut();
    array_splice($blocks, 3, 0, [para('The wind went round.')]);
    unset($blocks[7]);
    $map = lampStory();
    expect(changesOf($map, ...array_values($blocks)))->toBe([['The mole', 'new', 'The wind went round.'], ['The storm', 'gone', '']]);
    $blocks = wentOut();
    $blocks[4] = para([marked('comment-start', inlines('Which bell?'), 'Ines'), ...inlines('Nobody spoke of the'), ['t' => 'Space'], ['t' => 'Emph', 'c' => inlines('Salt Bell')], ['t' => 'Str', 'c' => '.'], marked('comment-end', [])]);
    $its = EditorChanges::of($map, Story::of($map, $map->sheet()->root), returned(...$blocks));
    expect($its->changes[0])->toMatchArray(['title' => 'The loft', 'sort' => 'remark', 'remarks' => [['who' => 'Ines', 'text' => 'Which bell?']]]);
    // The end of a paragraph that is struck out lets the next go on there.
    done($map, 'topic.note', ['topics' => [titled($map, 'The morning')], 'note' => "It was still.\n\nNobody came."]);
    $blocks = [...wentOut(), para('Nobody came.')];
    $blocks[8] = para([...inlines('It was still.'), ['t' => 'Space'], marked('paragraph-deletion', [])]);
    expect(changesOf($map, ...$blocks))->toBe([['The morning', 'changed', 'It was still. Nobody came.'], ['The morning', 'gone', '']]);
});

it('keeps what one says to oneself with a passage that was changed', function () {
    $blocks = wentOut();
    $blocks[6] = para('Old Brill shouted for Ida.');
    expect(changesOf(lampStory(), ...$blocks))->toBe([['The storm', 'changed', 'Old Brill shouted for Ida. {{Ida, or Wren?}}']]);
});

it('takes changes over one by one, in whatever order, until the draft reads as what came back', function (int $seed, string $order) {
    mt_srand($seed);
    $words = ['lamp', 'mole', 'fog', 'bell', 'Ida', 'oil', 'tide', 'rope', 'quay', 'salt'];
    $sentence = fn (): string => ucfirst(implode(' ', array_map(fn (): string => $words[mt_rand(0, 9)], range(1, mt_rand(4, 9))))).'.';
    $map = lampStory();
    $scenes = ['The mole', 'The loft', 'The storm', 'The morning'];
    $paragraphs = [];
    foreach ($scenes as $scene) {
        $paragraphs[$scene] = array_map(fn (): string => $sentence(), range(1, mt_rand(2, 6)));
        done($map, 'topic.note', ['topics' => [titled($map, $scene)], 'note' => implode("\n\n", $paragraphs[$scene])]);
    }
    $blocks = [];
    foreach ($paragraphs as $its) {
        foreach ($its as $text) {
            $what = mt_rand(0, 9);
            if ($what === 0 && mt_rand(0, 1) === 0) {
                continue;
            }
            $blocks[] = para($what === 1 ? preg_replace('/ (\w+)\.$/', ' otherwise.', $text) : $text);
            for ($new = in_array($what, [1, 2], true) ? mt_rand(0, 3) : 0; $new > 0; $new--) {
                $blocks[] = para($sentence());
            }
        }
        $blocks[] = para('#', 'Scene break');
    }
    $text = returned(...$blocks);
    $lay = fn (): EditorChanges => EditorChanges::of($map, Story::of($map, $map->sheet()->root), $text);
    $changes = $lay()->changes;
    $order === 'shuffled' && shuffle($changes);
    foreach ($order === 'from the end' ? array_reverse($changes) : $changes as $change) {
        // What was remarked may be kept along; the next still finds its place behind it.
        $change['is'] = $change['is'] !== '' && mt_rand(0, 2) === 0 ? "{$change['is']} {{Ines: why?}}" : $change['is'];
        done($map, 'text.revise', array_intersect_key($change, array_flip(['topic', 'was', 'is', 'after', 'at'])));
    }
    expect($lay()->changes)->toBe([])
        ->and(str_replace(' {{Ines: why?}}', '', implode("\n\n", array_filter(array_map(fn (string $scene): string => $map->topic(titled($map, $scene))->note, $scenes)))))->toBe(implode("\n\n", array_column($text->paragraphs, 'text')));
})->with(range(1, 25))->with(['from the beginning', 'from the end', 'shuffled']);

it('refuses a change of what does not stand there any more', function () {
    $map = lampStory();
    done($map, 'text.revise', ['topic' => titled($map, 'The mole'), 'was' => 'Not this.', 'is' => 'That.']);
})->throws(ChangedSince::class);

it('refuses what is no document', function (string $json) {
    ReturnedText::read($json);
})->throws(UnreadableFile::class)->with(['', '{', '[]', '{"blocks": 1}']);

it('reads blocks of whatever form without harm', function (int $seed) {
    mt_srand($seed);
    $any = function (int $depth) use (&$any): mixed {
        return match (mt_rand(0, $depth > 5 ? 3 : 7)) {
            0 => mt_rand(-5, 5), 1 => 'text', 2 => null, 3 => true,
            4 => ['t' => ['Para', 'Div', 'Span', 'Str', 'Header', 'Table'][mt_rand(0, 5)], 'c' => $any($depth + 1)],
            5 => ['t' => 'Span', 'c' => [['', [['insertion', 'deletion', 'comment-start', 'paragraph-deletion'][mt_rand(0, 3)]], $any($depth + 1)], $any($depth + 1)]],
            default => array_map(fn () => $any($depth + 1), range(0, mt_rand(0, 4))),
        };
    };
    $text = ReturnedText::read(json_encode(['blocks' => array_map(fn () => $any(0), range(0, 20))], JSON_THROW_ON_ERROR));
    expect(array_filter($text->paragraphs, fn (array $one): bool => trim($one['text']) === ''))->toBe([]);
})->with(range(1, 20));

it('lays long texts beside each other for a bounded time', function () {
    $map = lampStory();
    $long = fn (string $word): string => implode("\n\n", array_map(fn (int $n): string => trim(str_repeat("{$word} {$n} ", 3_000)), range(1, 40)));
    done($map, 'topic.note', ['topics' => [titled($map, 'The mole')], 'note' => $long('lamp')]);
    $changes = changesOf($map, ...array_map(fn (int $n): array => para(trim(str_repeat("lamp {$n} fog ", 2_500))), range(1, 40)));
    expect(count($changes))->toBeGreaterThan(39);
    // Braces that open and never close are nothing that is said to oneself.
    done($map, 'topic.note', ['topics' => [titled($map, 'The storm')], 'note' => str_repeat('{{', 200_000).'a']);
    expect(count(changesOf($map, para('b'))))->toBeGreaterThan(0);
});

it('lays beside a branch what came back of it alone, without what is cut below its scenes', function () {
    $map = lampStory();
    done($map, 'topic.note', ['topics' => [$map->sheet()->root], 'note' => 'Of the whole.']);
    done($map, 'topic.add', ['parent' => titled($map, 'The storm'), 'topic' => ['title' => 'First', 'note' => 'First below.']]);
    done($map, 'topic.add', ['parent' => titled($map, 'The storm'), 'topic' => ['title' => 'Second', 'note' => 'Second below.']]);
    done($map, 'topic.add', ['parent' => titled($map, 'The storm'), 'topic' => ['title' => 'Third', 'note' => 'Third below.']]);
    done($map, 'row.set', ['type' => 'stamps', 'topics' => [titled($map, 'Second')], 'fields' => ['cut' => true]]);
    $its = EditorChanges::of($map, Story::of($map, titled($map, 'Two')), returned(para('Old Brill called for Ida.'), para('First below.'), para('Third below.'), para('It was still.')));
    expect($its->changes)->toBe([])->and($its->same)->toBe(4);
});
