<?php

declare(strict_types=1);

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edits;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicDraft;
use ChalkTree\Find\BadPattern;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use Tests\Support\Outline;

/** Makes an edit on a map given as an outline, whose topics are named by their titles. */
function after(string $outline, string $name, array $arguments): TopicMap
{
    $map = Outline::map($outline);
    $start = Outline::of($map);
    $changes = Edits::apply(Edits::read($name, Outline::ids($map, $arguments)), $map, 1_700_000_000);
    $undone = clone $map;
    $changes->reversed()->applyTo($undone, new Recorder($undone));
    expect(Outline::of($undone))->toBe($start);

    return $map;
}

it('changes the shape', function (string $before, string $name, array $arguments, string $after) {
    expect(Outline::of(after($before, $name, $arguments)))->toBe($after);
})->with([
    'wraps siblings in one parent' => ["R\n\ta\n\tb\n\tc\n", 'topic.wrap', ['topics' => ['b', 'c'], 'as' => [Ids::next()], 'title' => 'N'], "R\n\ta\n\tN\n\t\tb\n\t\tc\n"],
    'wraps topics from anywhere where the first is' => ["R\n\ta\n\t\tx\n\tb\n\t\ty\n", 'topic.wrap', ['topics' => ['y', 'x'], 'as' => [Ids::next()], 'title' => 'N'], "R\n\ta\n\t\tN\n\t\t\tx\n\t\t\ty\n\tb\n"],
    'wraps each' => ["R\n\ta\n\t\tx\n\tb\n", 'topic.wrap', ['topics' => ['a', 'b'], 'as' => [Ids::next(), Ids::next()], 'each' => true], "R\n\t\n\t\ta\n\t\t\tx\n\t\n\t\tb\n"],
    'leaves out what stands below another chosen one' => ["R\n\ta\n\t\tx\n", 'topic.wrap', ['topics' => ['x', 'a'], 'as' => [Ids::next()], 'title' => 'N'], "R\n\tN\n\t\ta\n\t\t\tx\n"],
    'dissolves and keeps the place' => ["R\n\ta\n\tb\n\t\tx\n\t\ty\n\tc\n", 'topic.dissolve', ['topics' => ['b']], "R\n\ta\n\tx\n\ty\n\tc\n"],
    'dissolves a parent and a child at once' => ["R\n\ta\n\t\tb\n\t\t\tc\n", 'topic.dissolve', ['topics' => ['a', 'b']], "R\n\tc\n"],
    'lifts children' => ["R\n\ta\n\t\tx\n\t\ty\n\tb\n", 'topic.lift', ['topics' => ['a']], "R\n\ta\n\tx\n\ty\n\tb\n"],
    'removes a level with a single topic' => ["R\n\ta\n\t\tonly\n\t\t\tx\n\t\t\ty\n", 'level.dissolve', ['topics' => ['only']], "R\n\ta || only\n\t\tx\n\t\ty\n"],
    'removes all such levels of a branch, from below' => ["R\n\ta\n\t\tb\n\t\t\tc\n\t\t\t\td\n\te\n", 'level.dissolve', ['topics' => ['R'], 'whole' => true], "R\n\ta || b / c / d\n\te\n"],
    'breaks at sentences' => ["R\n\tFold it. Cut it. Glue it.\n\t\tx\n\tb\n", 'topic.break', ['topics' => ['Fold it. Cut it. Glue it.'], 'by' => 'sentences'], "R\n\tFold it.\n\t\tx\n\tCut it.\n\tGlue it.\n\tb\n"],
    'breaks below' => ["R\n\ta; b; c\n", 'topic.break', ['topics' => ['a; b; c'], 'by' => 'separator', 'separator' => ';', 'below' => true], "R\n\ta\n\t\tb\n\t\tc\n"],
    'breaks at lines and keeps formatting' => ["R\n\tone **bold↵line** two\n", 'topic.break', ['topics' => ['one **bold↵line** two'], 'by' => 'lines'], "R\n\tone **bold**\n\t**line** two\n"],
    'breaks the root below it' => ["a, b\n\tx\n", 'topic.break', ['topics' => ['a, b'], 'by' => 'separator', 'separator' => ', '], "a\n\tx\n\tb\n"],
    'splits at the caret' => ["R\n\tab\n\t\tx\n", 'topic.split', ['topic' => 'ab', 'first' => 'a', 'second' => 'b', 'as' => Ids::next()], "R\n\ta\n\t\tx\n\tb\n"],
    'joins with a glue, children in order' => ["R\n\ta\n\t\tx\n\tm\n\tb\n\t\ty\n", 'topic.join', ['topics' => ['b', 'a'], 'glue' => ' & '], "R\n\ta & b\n\t\tx\n\t\ty\n\tm\n"],
    'joins what stands below, too' => ["R\n\ta\n\t\tb\n\t\t\tc\n", 'topic.join', ['topics' => ['a', 'b'], 'glue' => ' '], "R\n\ta b\n\t\tc\n"],
    'joins neighbouring formatting' => ["R\n\t**a**\n\t**b**\n", 'topic.join', ['topics' => ['**a**', '**b**'], 'glue' => ''], "R\n\t**ab**\n"],
    'joins notes' => ["R\n\ta || one\n\tb || two\n", 'topic.join', ['topics' => ['a', 'b']], "R\n\ta b || one / two\n"],
    'merges duplicates wherever they stand' => ["R\n\tSoup || hot\n\t\tleek\n\tActs\n\t\tsoup. || cold\n\t\t\tfish\n\t\tLeek\n", 'branch.duplicates', ['topics' => ['R']], "R\n\tSoup || hot / cold\n\t\tleek\n\t\tfish\n\tActs\n"],
    'removes empties from below' => ["R\n\ta\n\t\t\n\t\t\t\n\t\n\t\tb\n", 'branch.empties', ['topics' => ['R']], "R\n\ta\n\t\n\t\tb\n"],
    'sorts as people count' => ["R\n\titem 10\n\tItem 2\n\titem 1\n", 'branch.sort', ['topics' => ['R'], 'by' => 'title'], "R\n\titem 1\n\tItem 2\n\titem 10\n"],
    'sorts by the rules of a language' => ["R\n\tz\n\tä\n\ta\n", 'branch.sort', ['topics' => ['R'], 'by' => 'title', 'locale' => 'de'], "R\n\ta\n\tä\n\tz\n"],
    'sorts otherwise in Swedish' => ["R\n\tz\n\tä\n\ta\n", 'branch.sort', ['topics' => ['R'], 'by' => 'title', 'locale' => 'sv'], "R\n\ta\n\tz\n\tä\n"],
    'sorts by length, most first' => ["R\n\ta\n\tccc\n\tbb\n", 'branch.sort', ['topics' => ['R'], 'by' => 'length', 'down' => true], "R\n\tccc\n\tbb\n\ta\n"],
    'sorts by number of subtopics' => ["R\n\ta\n\t\tx\n\t\t\ty\n\tb\n\tc\n\t\tz\n", 'branch.sort', ['topics' => ['R'], 'by' => 'subtopics'], "R\n\tb\n\tc\n\t\tz\n\ta\n\t\tx\n\t\t\ty\n"],
    'sorts deep' => ["R\n\tb\n\t\td\n\t\tc\n\ta\n", 'branch.sort', ['topics' => ['R'], 'by' => 'title', 'deep' => true], "R\n\ta\n\tb\n\t\tc\n\t\td\n"],
    'turns round only the chosen ones' => ["R\n\ta\n\tb\n\tc\n\td\n", 'branch.sort', ['topics' => ['b', 'd'], 'by' => 'reverse', 'these' => true], "R\n\ta\n\td\n\tc\n\tb\n"],
    'tidies spaces' => ["R\n\t  a   b \n\tc\n", 'text.tidy', ['topics' => ['R'], 'way' => 'spaces', 'deep' => true], "R\n\ta b\n\tc\n"],
    'gives each word a capital, after apostrophes not' => ["R\n\tdon't **push** the naïve\n", 'text.tidy', ['topics' => ["don't **push** the naïve"], 'way' => 'words'], "R\n\tDon't **Push** The Naïve\n"],
    'gives the beginning a capital' => ["R\n\t“a *b* NATO\n", 'text.tidy', ['topics' => ['“a *b* NATO'], 'way' => 'begin'], "R\n\t“A *b* NATO\n"],
    'makes all small' => ["R\n\tA [B](<https://X.example/Y>)\n", 'text.tidy', ['topics' => ['A [B](<https://X.example/Y>)'], 'way' => 'lower'], "R\n\ta [b](<https://X.example/Y>)\n"],
    'sends a title to the note' => ["R\n\ta *b* || c\n", 'text.send', ['topics' => ['a *b*'], 'from' => 'title', 'to' => 'note'], "R\n\t || c / a *b*\n"],
    'appends a whole text with its source' => ["R\n\tA\n\t\tx || y\n\tb\n", 'text.append', ['topics' => ['x'], 'to' => 'b'], "R\n\tA\n\t\tx || y\n\tb || x / y / *From R › A › x*\n"],
    'appends a text without its source' => ["R\n\ta\n\tb || n\n", 'text.append', ['topics' => ['a'], 'to' => 'b', 'source' => false], "R\n\ta\n\tb || n / a\n"],
    'copies a branch with all in it' => ["R\n\ta || n\n\t\tx\n\tb\n", 'topic.copy', ['topics' => ['a'], 'parent' => 'b'], "R\n\ta || n\n\t\tx\n\tb\n\t\ta || n\n\t\t\tx\n"],
    'copies a branch into itself' => ["R\n\ta\n\t\tx\n", 'topic.copy', ['topics' => ['a'], 'parent' => 'x'], "R\n\ta\n\t\tx\n\t\t\ta\n\t\t\t\tx\n"],
    'adds several branches after a topic' => ["R\n\ta\n\tb\n", 'topic.add-many', ['after' => 'a', 'topics' => [['title' => 'n', 'children' => [['title' => 'm']]], ['title' => 'o']]], "R\n\ta\n\tn\n\t\tm\n\to\n\tb\n"],
    'parks with all below' => ["R\n\ta\n\t\tx\n\tb\n", 'topic.park', ['topics' => ['a']], "R\n\tb\n[a]\n\tx\n"],
    'replaces in titles and keeps formatting' => ["R\n\tThe **old boat** sails\n", 'text.replace', ['find' => ['text' => 'old BOAT'], 'with' => 'new ship'], "R\n\tThe **new ship** sails\n"],
    'replaces by pattern with groups' => ["R\n\t12 March || 3 May and 4 June\n", 'text.replace', ['find' => ['text' => '(\d+) (\w+)', 'pattern' => true], 'with' => '$2 ${1}, $$5'], "R\n\tMarch 12, $5 || May 3, $5 and June 4, $5\n"],
    'replaces whole words in a branch only' => ["R\n\tart party\n\tb\n\t\tart party\n", 'text.replace', ['find' => ['text' => 'art', 'word' => true], 'with' => 'craft', 'topics' => ['b']], "R\n\tart party\n\tb\n\t\tcraft party\n"],
]);

it('refuses what makes no sense, and says why', function (string $outline, string $name, array $arguments) {
    $map = Outline::map($outline);
    $before = Outline::of($map);
    expect(fn () => Edits::apply(Edits::read($name, Outline::ids($map, $arguments)), $map))->toThrow(InvalidEdit::class)
        ->and(Outline::of($map))->toBe($before);
})->with([
    'wrapping the root' => ["R\n\ta\n", 'topic.wrap', ['topics' => ['R'], 'as' => [Ids::next()]]],
    'too few ids' => ["R\n\ta\n\tb\n", 'topic.wrap', ['topics' => ['a', 'b'], 'as' => [Ids::next()], 'each' => true]],
    'dissolving the root' => ["R\n\ta\n", 'topic.dissolve', ['topics' => ['R']]],
    'lifting beside the root' => ["R\n\ta\n", 'topic.lift', ['topics' => ['R']]],
    'a level that has two' => ["R\n\ta\n\tb\n", 'level.dissolve', ['topics' => ['a']]],
    'nothing to break at' => ["R\n\ta\n", 'topic.break', ['topics' => ['a'], 'by' => 'lines']],
    'a separator of nothing' => ["R\n\ta\n", 'topic.break', ['topics' => ['a'], 'by' => 'separator', 'separator' => '']],
    'joining one' => ["R\n\ta\n", 'topic.join', ['topics' => ['a']]],
    'sorting strangers' => ["R\n\ta\n\t\tx\n\tb\n", 'branch.sort', ['topics' => ['x', 'b'], 'by' => 'title', 'these' => true]],
    'an odd locale' => ["R\n\ta\n", 'branch.sort', ['topics' => ['R'], 'by' => 'title', 'locale' => '../x']],
    'sending to where it is' => ["R\n\ta\n", 'text.send', ['topics' => ['a'], 'from' => 'title', 'to' => 'title']],
    'appending to itself' => ["R\n\ta\n", 'text.append', ['topics' => ['a'], 'to' => 'a']],
    'parking the root' => ["R\n\ta\n", 'topic.park', ['topics' => ['R']]],
    'bringing back what is not parked' => ["R\n\ta\n", 'topic.bring-back', ['topics' => ['a']]],
    'a numbering of no style' => ["R\n\ta\n", 'branch.number', ['topics' => ['R'], 'numbering' => '1,Q']],
    'pulling too far' => ["R\n\ta\n", 'topic.apart', ['topics' => ['a'], 'x' => Bounds::FARTHEST_APART + 1, 'y' => 0]],
    'pulling the root' => ["R\n\ta\n", 'topic.apart', ['topics' => ['R'], 'x' => 1, 'y' => 0]],
    'pasting nothing' => ["R\n\ta\n", 'topic.paste', ['parent' => 'a', 'as' => 'branches', 'lines' => [['level' => 0, 'text' => '  ']]]],
    'replacing in no field' => ["R\n\ta\n", 'text.replace', ['find' => ['text' => 'a'], 'with' => 'b', 'fields' => ['colour']]],
]);

it('brings parked topics home, or to the root where home has gone', function () {
    $map = after("R\n\ta\n\t\tx\n\tb\n", 'topic.park', ['topics' => ['x']]);
    expect(array_keys($map->all()))->not->toContain(Outline::id($map, 'x'))->and(array_keys($map->everything()))->toContain(Outline::id($map, 'x'));
    $home = clone $map;
    Edits::apply(Edits::read('topic.bring-back', ['topics' => [Outline::id($map, 'x')]]), $home);
    expect(Outline::of($home))->toBe("R\n\ta\n\t\tx\n\tb\n");

    Edits::apply(Edits::read('topic.remove', ['topics' => [Outline::id($map, 'a')]]), $map);
    Edits::apply(Edits::read('topic.bring-back', ['topics' => [Outline::id($map, 'x')]]), $map);
    expect(Outline::of($map))->toBe("R\n\tb\n\tx\n");
});

it('keeps a column closed up and in order', function () {
    $map = Outline::map("R\n\ta\n");
    $add = function (array $arguments) use ($map): string {
        $id = Ids::next();
        Edits::apply(Edits::read('topic.add', $arguments + ['topic' => ['id' => $id, 'title' => 't']]), $map);

        return $id;
    };
    $first = $add(['parent' => null, 'x' => 300, 'y' => 40]);
    expect($map->topic($first)->column)->toBeNull();
    $second = $add(['after' => $first]);
    $third = $add(['after' => $second]);
    $column = $map->topic($first)->column;
    expect($column)->not->toBeNull()
        ->and(array_keys($map->column($column)))->toBe([$first, $second, $third])
        ->and([$map->topic($third)->x, $map->topic($third)->y])->toBe([300, 40]);

    Edits::apply(Edits::read('topic.move', ['topics' => [$first], 'parent' => Outline::id($map, 'a')]), $map);
    expect(array_keys($map->column($column)))->toBe([$second, $third])
        ->and($map->topic($first)->column)->toBeNull()->and($map->topic($first)->x)->toBeNull();

    Edits::apply(Edits::read('topic.move', ['topics' => [$second, $third], 'parent' => null, 'x' => -200, 'y' => 0]), $map);
    expect(array_keys($map->column($column)))->toBe([$second, $third])->and($map->topic($second)->x)->toBe(-200);
    Edits::apply(Edits::read('topic.move', ['topics' => [$third], 'parent' => null, 'x' => 0, 'y' => 400]), $map);
    expect($map->topic($third)->column)->toBeNull()->and($map->topic($second)->column)->toBe($column);
});

it('dates a topic when its text changes and not when it moves, and undo is not held up by a date', function () {
    $map = Outline::map("R\n\ta\n\tb\n");
    $a = Outline::id($map, 'a');
    $retitled = Edits::apply(Edits::read('topic.retitle', ['topic' => $a, 'title' => 'A']), $map, 500);
    Edits::apply(Edits::read('topic.move', ['topics' => [$a], 'after' => Outline::id($map, 'b')]), $map, 600);
    expect($map->topic($a)->changed)->toBe(500);
    Edits::apply(Edits::read('topic.caption', ['topics' => [$a], 'caption' => 'c']), $map, 700);
    $retitled->reversed()->applyTo($map, new Recorder($map));
    expect($map->topic($a)->title)->toBe('a')->and($map->topic($a)->caption)->toBe('c');

    Edits::apply(Edits::read('branch.sort', ['topics' => [$map->root()->id], 'by' => 'changed', 'down' => true]), $map);
    expect(Outline::of($map))->toBe("R\n\tb\n\ta\n");
    Edits::apply(Edits::read('topic.retitle', ['topic' => $a, 'title' => 'new']), $map, 900);
    Edits::apply(Edits::read('branch.sort', ['topics' => [$map->root()->id], 'by' => 'changed', 'down' => true]), $map);
    expect(Outline::of($map))->toBe("R\n\tnew\n\tb\n");
});

it('shuffles the same way for the same seed', function () {
    $outline = "R\n".implode('', array_map(fn (int $n): string => "\tt{$n}\n", range(1, 12)));
    $once = Outline::of(after($outline, 'branch.sort', ['topics' => ['R'], 'by' => 'shuffle', 'seed' => 5]));
    expect(Outline::of(after($outline, 'branch.sort', ['topics' => ['R'], 'by' => 'shuffle', 'seed' => 5])))->toBe($once)->not->toBe($outline);
});

it('takes drafts of branches with everything in them and gives them back', function () {
    $map = NewMap::from(new TopicDraft('R', children: [new TopicDraft('a', 'cap', 'note', [new TopicDraft('x'), new TopicDraft('y')])]));
    [$a, $x] = [Outline::id($map, 'a'), Outline::id($map, 'x')];
    doing($map, 'row.set', ['type' => 'look', 'topics' => [$a], 'fields' => ['width' => 120]]);
    doing($map, 'branch.number', ['topics' => ['a'], 'numbering' => 'A,1', 'from' => 3]);
    doing($map, 'topic.apart', ['topics' => ['a', 'x'], 'x' => 40, 'y' => 0]);
    $data = TopicDraft::of($map, $a)->toArray();
    // How the copied topic itself stood is not kept, but how things stand below it.
    expect($data)->toBe([
        'title' => 'a', 'caption' => 'cap', 'note' => 'note', 'was' => $a,
        'rows' => [
            ['type' => 'look', 'id' => $a, 'fields' => ['width' => 120]],
            ['type' => 'numbering', 'id' => $a, 'fields' => ['style' => 'A,1', 'from' => 3]],
            ['type' => 'apart', 'id' => $x, 'fields' => ['x' => 40]],
        ],
        'children' => [['title' => 'x', 'was' => $x], ['title' => 'y']],
    ])
        ->and(TopicDraft::read(new Arguments($data))->toArray())->toBe($data);
});

it('stops patterns that would hold up the server, and those that cannot be read', function (string $pattern) {
    $map = NewMap::from(new TopicDraft(str_repeat('a', 60).'b', note: str_repeat('ab ', 20_000)));
    expect(fn () => Edits::apply(Edits::read('text.replace', ['find' => ['text' => $pattern, 'pattern' => true], 'with' => '']), $map))->toThrow(BadPattern::class)
        ->and(ini_get('pcre.backtrack_limit'))->not->toBe('200000');
})->with(['(a+)+$', '(a|aa)+$', '(unclosed', '[z-a]', '*', '(?<x>a)(?<x>b)']);

it('lets what others added since stand when an edit on many topics is undone', function () {
    $map = Outline::map("R\n\ta\n\t\tx\n\tb\n");
    $wrapped = Edits::apply(Edits::read('topic.wrap', ['topics' => [Outline::id($map, 'a')], 'as' => [$new = Ids::next()]]), $map);
    Edits::apply(Edits::read('topic.retitle', ['topic' => Outline::id($map, 'x'), 'title' => 'y']), $map);
    $wrapped->reversed()->applyTo($map, new Recorder($map));
    expect(Outline::of($map))->toBe("R\n\ta\n\t\ty\n\tb\n")->and($map->row(Topic::type(), $new))->toBeNull();
});

it('plants no row that says nothing', function () {
    $map = Outline::map("R\n\ta\n");
    $was = Ids::next();
    $row = fn (string $type, array $fields): array => ['type' => $type, 'id' => $was, 'fields' => $fields];
    $edit = ['parent' => $map->root()->id, 'topic' => ['title' => 'b', 'was' => $was, 'rows' => [$row('apart', ['x' => 0]), $row('look', ['width' => 120]), $row('numbering', ['style' => null])]]];
    Edits::apply(Edits::read('topic.add', $edit), $map);
    expect(array_map(fn ($one): array => [$one::type(), $one->saying()], $map->living()))->toBe([['look', ['width' => 120]]]);
});

it('holds nothing apart by its row that hangs on nothing', function () {
    $map = Outline::map("R\n\ta\n");
    $set = fn (string $topic) => Edits::apply(Edits::read('row.set', ['type' => 'apart', 'topics' => [$topic], 'fields' => ['x' => 5]]), $map);
    expect(fn () => $set($map->root()->id))->toThrow(InvalidEdit::class)->and($map->living())->toBe([]);
    $set(Outline::id($map, 'a'));
    expect($map->living())->toHaveCount(1);
});
