<?php

declare(strict_types=1);

use ChalkTree\Edit\TopicDraft;
use ChalkTree\Kind\KindLibrary;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use ChalkTree\Story\Cast;
use ChalkTree\Story\NameSpotter;
use ChalkTree\Story\Story;
use ChalkTree\Story\ThreadGrid;

/** A map with the kinds of stories. */
function storyMap(TopicDraft $root): TopicMap
{
    $map = NewMap::from($root);
    $bundles = KindLibrary::bundles(ShippedKinds::rows());
    foreach (['character', 'place', 'object', 'source', 'thread', 'chapter', 'scene'] as $kind) {
        done($map, 'kind.take', ['rows' => array_map(fn (FeatureRow $row): array => ['type' => $row::type(), 'id' => $row->id, 'fields' => $row->saying()], $bundles[ShippedKinds::kindId($kind)])]);
    }

    return $map;
}

/** Makes topics be of a kind that ships. */
function ofKind(TopicMap $map, string $kind, string ...$titles): void
{
    done($map, 'kind.give', ['topics' => array_map(fn (string $title): string => titled($map, $title), $titles), 'kind' => ShippedKinds::kindId($kind), 'today' => A_DAY]);
}

/** @param  array<string, string>  $values  by the words of fields; a title for one that names a topic */
function fillIn(TopicMap $map, string $title, array $values): void
{
    foreach ($values as $word => $value) {
        done($map, 'value.set', ['topics' => [titled($map, $title)], 'field' => ShippedKinds::fieldId($word), 'value' => $word === 'viewpoint' ? titled($map, $value) : $value, 'today' => A_DAY]);
    }
}

/** A short story in two chapters of two scenes each, with who and what is in it. */
function lampStory(): TopicMap
{
    $scene = fn (string $title, string $note): TopicDraft => new TopicDraft($title, note: $note);
    $map = storyMap(new TopicDraft('The Dark Lamp', children: [
        new TopicDraft('One', children: [$scene('The mole', 'Ida Marsh went out. Ida’s lamp was dark; Brill saw it.'), $scene('The loft', 'Nobody spoke of the *Salt Bell*.')]),
        new TopicDraft('Two', children: [$scene('The storm', 'Old Brill called for Ida. {{Ida, or Wren?}}'), $scene('The morning', 'It was still.')]),
        new TopicDraft('People', children: [new TopicDraft('Ida Marsh, keeper of the lamps'), new TopicDraft('Jonas Brill'), new TopicDraft('Wren')]),
        new TopicDraft('Places', children: [new TopicDraft('The Old Mole'), new TopicDraft('The net loft')]),
        new TopicDraft('Things', children: [new TopicDraft('Salt Bell')]),
        new TopicDraft('Threads', children: [new TopicDraft('Who put out the lamp')]),
    ]));
    ofKind($map, 'chapter', 'One', 'Two');
    ofKind($map, 'scene', 'The mole', 'The loft', 'The storm', 'The morning');
    ofKind($map, 'character', 'Ida Marsh, keeper of the lamps', 'Jonas Brill', 'Wren');
    ofKind($map, 'place', 'The Old Mole', 'The net loft');
    ofKind($map, 'object', 'Salt Bell');
    ofKind($map, 'thread', 'Who put out the lamp');

    return $map;
}

/** A grid of the whole map. */
function gridOf(TopicMap $map, string $rows, bool $isByChapter = false): ThreadGrid
{
    $cast = Cast::of($map);
    $spotter = NameSpotter::for($cast);

    return ThreadGrid::of($map, Story::of($map, $map->sheet()->root), $cast, fn (string $topic): array => $spotter->counts($map->topic($topic)->note), $rows, $isByChapter);
}

/** What is in the cells of a row, by column: "3" for the times that texts name it, "f" for a field, "t" for a tie, "s" for whose eyes it is, "e" for an end. */
function cellsOf(ThreadGrid $grid, string $name): array
{
    foreach ($grid->rows() as $row) {
        if ($row->name === $name) {
            return array_map(fn ($cell): string => ($cell->names > 0 ? (string) $cell->names : '').($cell->isSaid ? 'f' : '').($cell->isTied ? 't' : '').($cell->sees ? 's' : '').($cell->ends ? 'e' : ''), $row->cells);
        }
    }

    throw new RuntimeException("No row is called {$name}.");
}

/**
 * A DOCX as an editor sends it back: with a word that was struck out, one that was put in, and a remark.
 *
 * @param  string  $docx  as it went out
 */
function edited(string $docx, string $was, string $is, string $remark): string
{
    $path = tempnam(sys_get_temp_dir(), 'edited');
    file_put_contents($path, $docx);
    $zip = new ZipArchive;
    $zip->open($path);
    $by = 'w:author="Ines Aske" w:date="2026-11-28T10:00:00Z"';
    $run = fn (string $tag, string $text): string => "<w:r><w:{$tag} xml:space=\"preserve\">{$text}</w:{$tag}></w:r>";
    $xml = (string) $zip->getFromName('word/document.xml');
    $changed = preg_replace_callback('~<w:r>(<w:rPr>(?:(?!</w:rPr>).)*</w:rPr>)?<w:t xml:space="preserve">([^<]*?)'.preg_quote($was, '~').'([^<]*)</w:t></w:r>~', fn (array $m): string => $run('t', $m[2])
        ."<w:commentRangeStart w:id=\"0\" /><w:del w:id=\"901\" {$by}>{$run('delText', $was)}</w:del><w:ins w:id=\"902\" {$by}>{$run('t', $is)}</w:ins><w:commentRangeEnd w:id=\"0\" /><w:r><w:commentReference w:id=\"0\" /></w:r>".$run('t', $m[3]), $xml, 1);
    if ($changed === null || $changed === $xml) {
        throw new RuntimeException("“{$was}” does not stand in a run of the document.");
    }
    $zip->addFromString('word/document.xml', $changed);
    $zip->addFromString('word/comments.xml', '<?xml version="1.0" encoding="UTF-8"?><w:comments xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main">'."<w:comment w:id=\"0\" {$by}><w:p>{$run('t', $remark)}</w:p></w:comment></w:comments>");
    $zip->close();
    $bytes = (string) file_get_contents($path);
    unlink($path);

    return $bytes;
}
