<?php

declare(strict_types=1);

use ChalkTree\Document\Document;
use ChalkTree\Document\Grid;
use ChalkTree\Document\Heading;
use ChalkTree\Document\Paragraph;
use ChalkTree\Document\Styled;
use ChalkTree\Document\Words;
use ChalkTree\HandOver\Choices;
use ChalkTree\HandOver\Outgoing;
use ChalkTree\HandOver\Selected;
use ChalkTree\Map\TopicMap;
use ChalkTree\Story\StoryDocument;

/* Maps as the text that they are written for. */

/** What a document says, a line a block, with the styles of what has one. */
function saidIn(Document $document): array
{
    $text = fn (array $line): string => implode('', array_map(fn ($one): string => $one instanceof Words ? $one->run->text : '', $line));
    $lines = fn (array $blocks, string $style) => array_merge(...array_map(fn ($block): array => match (true) {
        $block instanceof Styled => array_map(fn ($inner): string => "{$block->style->value}: ".$text($inner->text ?? []), $block->blocks),
        $block instanceof Heading => [str_repeat('#', $block->level).' '.$text($block->text)],
        $block instanceof Paragraph => [$text($block->text)],
        $block instanceof Grid => array_map(fn (array $row): string => implode(' | ', array_map($text, $row)), [$block->head, ...$block->rows]),
        default => [],
    }, $blocks));

    return $lines($document->blocks, '');
}

function storyAs(TopicMap $map, string $form, array $choices = []): Document
{
    $chosen = Choices::fromFields('', $choices);

    return StoryDocument::of(Selected::of(Outgoing::of($map, hasAsides: $chosen->flag('asides')), $chosen, isText: true), $form, 'Wren Aske', 'en', A_DAY);
}

it('writes chapters with their scenes and what stands between them, and no titles of scenes', function () {
    $map = lampStory();
    expect(saidIn(storyAs($map, 'manuscript')))->toBe([
        'Title page: About 30 words', '# One', 'Scene beginning: Ida Marsh went out. Ida’s lamp was dark; Brill saw it.', 'Scene break: #', 'Scene beginning: Nobody spoke of the Salt Bell.',
        '# Two', 'Scene beginning: Old Brill called for Ida.', 'Scene break: #', 'Scene beginning: It was still.',
    ])
        ->and(storyAs($map, 'manuscript')->author)->toBe('Wren Aske')
        ->and(saidIn(storyAs($map, 'book')))->not->toContain('Title page: About 30 words')->toContain('Scene break: · · ·');
});

it('leaves out what is cut and chapters in which nothing is written, and tells words of what is there', function () {
    $map = lampStory();
    done($map, 'row.set', ['type' => 'stamps', 'topics' => [titled($map, 'The mole')], 'fields' => ['cut' => true]]);
    done($map, 'topic.note', ['topics' => [titled($map, 'The storm'), titled($map, 'The morning')], 'note' => '']);
    expect(saidIn(storyAs($map, 'manuscript')))->toBe(['Title page: About 10 words', '# One', 'Scene beginning: Nobody spoke of the Salt Bell.'])
        ->and(saidIn(storyAs($map, 'manuscript', ['cut' => true])))->toContain('Scene beginning: Nobody spoke of the Salt Bell.');
});

it('keeps what one says to oneself to oneself, unless it is asked for', function () {
    expect(implode("\n", saidIn(storyAs(lampStory(), 'book'))))->not->toContain('or Wren?')
        ->and(implode("\n", saidIn(storyAs(lampStory(), 'book', ['asides' => true]))))->toContain('{{Ida, or Wren?}}');
});

it('begins with the note of a chapter, and goes on below a scene', function () {
    $map = lampStory();
    done($map, 'topic.note', ['topics' => [titled($map, 'Two')], 'note' => 'Before.']);
    done($map, 'topic.add', ['parent' => titled($map, 'The storm'), 'topic' => ['title' => 'More', 'note' => "Later.\n\nLast."]]);
    expect(array_slice(saidIn(storyAs($map, 'book')), 4))->toBe(['# Two', 'Scene beginning: Before.', 'Scene break: · · ·', 'Scene beginning: Old Brill called for Ida.', 'Scene text: Later.', 'Scene text: Last.', 'Scene break: · · ·', 'Scene beginning: It was still.']);
});

it('tells what is said of a story, who is in it and what its scenes are', function () {
    $map = lampStory();
    fillIn($map, 'The mole', ['happens' => 'She finds it dark.', 'viewpoint' => 'Wren', 'tension' => '3']);
    done($map, 'topic.caption', ['topics' => [titled($map, 'The loft')], 'caption' => 'Silence.']);
    fillIn($map, 'Wren', ['tastes' => 'Smoked eel']);
    expect(saidIn(storyAs($map, 'synopsis')))->toBe(['# One', 'She finds it dark.', 'Silence.', '# Two'])
        ->and(saidIn(storyAs($map, 'cast')))->toBe(['# People', '## Ida Marsh, keeper of the lamps', '## Jonas Brill', '## Wren', 'Food and drink: Smoked eel', '# Places', '## The Old Mole', '## The net loft', '# Objects', '## Salt Bell'])
        ->and(array_slice(saidIn(storyAs($map, 'scenes')), 0, 3))->toBe(['Chapter | Scene | Viewpoint | Place | Day in the story | In it | What happens | What changes | Threads | Words', 'One | The mole | Wren |  |  |  | She finds it dark. |  |  | 11', 'One | The loft |  |  |  |  |  |  |  | 6']);
});

it('writes the same as Markdown', function () {
    expect(StoryDocument::markdown(storyAs(lampStory(), 'book')))->toBe("# The Dark Lamp\n\nWren Aske\n\n## One\n\nIda Marsh went out. Ida’s lamp was dark; Brill saw it.\n\n· · ·\n\nNobody spoke of the *Salt Bell*.\n\n## Two\n\nOld Brill called for Ida.\n\n· · ·\n\nIt was still.\n");
});

it('takes the chosen chapters alone', function () {
    $map = lampStory();
    $selected = Selected::of(Outgoing::of($map), Choices::fromFields('', []), chosen: [titled($map, 'Two')], isText: true);
    expect(saidIn(StoryDocument::of($selected, 'book', '', 'en', A_DAY)))->toBe(['# Two', 'Scene beginning: Old Brill called for Ida.', 'Scene break: · · ·', 'Scene beginning: It was still.']);
});
