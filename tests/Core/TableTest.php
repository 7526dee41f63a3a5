<?php

declare(strict_types=1);

use ChalkTree\Ask\Columns;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Reading;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Exchange\CsvTable;
use ChalkTree\Kind\Kinds;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\Ids;
use ChalkTree\Map\Topic;
use ChalkTree\Map\TopicMap;
use ChalkTree\Table\Table;
use ChalkTree\Table\TableColumn;
use ChalkTree\Table\TableDays;
use ChalkTree\Table\TableFile;
use ChalkTree\Table\TableRow;
use ChalkTree\Table\TableRows;
use ChalkTree\Task\Tasks;
use ChalkTree\Text\InlineMarkdown;
use Tests\Support\Chance;
use Tests\Support\Outline;

/* Topics as rows under columns: which, in which order, what is typed, and as files. */

/** A table that is not kept. */
function tableOf(array $fields = []): Table
{
    return Table::fromFields(Ids::next(), $fields);
}

/** @return list<string> what stands in a table, a line a row, with a head before each group that has one */
function rowsIn(TopicMap $map, Table $table, ?string $text = null): array
{
    $now = new Moment($map, A_DAY);
    $lines = [];
    foreach (TableRows::of($now, $table, $text === null ? null : Reading::of($text, $now)->condition)->groups as $group) {
        array_push($lines, ...($group->title === '' ? [] : ["# {$group->title}"]), ...array_map(fn (TableRow $row): string => str_repeat('  ', $row->depth).$map->topic($row->topic)->title, $group->rows));
    }

    return $lines;
}

/** The committee with a budget: what things cost, and in which state they are. */
function budget(): TopicMap
{
    $map = committee('meeting');
    foreach (['cost' => ['name' => 'Cost', 'sort' => 'money', 'unit' => '€'], 'state' => ['name' => 'State', 'sort' => 'choice', 'choices' => "open\nordered\npaid"]] as $word => $fields) {
        done($map, 'row.set', ['type' => 'field', 'row' => budgetField($word), 'fields' => $fields]);
    }
    foreach ([['Lanterns', 'Autumn', '120', 'ordered'], ['Oil', 'Autumn', '35.50', 'paid'], ['Boats', 'Winter', '900', 'open'], ['Ropes', 'Boats', '80', ''], ['Songs', 'Winter', '', '']] as [$title, $parent, $cost, $state]) {
        done($map, 'topic.add', ['topic' => ['id' => $id = Ids::next(), 'title' => $title], 'parent' => titled($map, $parent)]);
        foreach (['cost' => $cost, 'state' => $state] as $word => $value) {
            done($map, 'value.set', ['topics' => [$id], 'field' => budgetField($word), 'value' => $value, 'today' => A_DAY]);
        }
    }

    return $map;
}

function budgetField(string $word): string
{
    return str_pad(['cost' => '0c0st', 'state' => '0state'][$word], 26, '0');
}

/** Types into one cell. */
function typeIn(TopicMap $map, string $title, string $column, string $text): void
{
    done($map, 'cells.set', ['cells' => [['topic' => titled($map, $title), 'column' => $column, 'text' => $text]], 'today' => A_DAY]);
}

it('has the topics of a branch as rows, one level or all, those of which something holds, and those to which the map is narrowed', function () {
    $map = budget();
    expect(rowsIn($map, tableOf()))->toBe(['Autumn', 'Winter'])
        ->and(rowsIn($map, tableOf(['deep' => true])))->toBe(['Autumn', '  Lanterns', '  Oil', 'Winter', '  Boats', '    Ropes', '  Songs'])
        ->and(rowsIn($map, tableOf(['branch' => titled($map, 'Winter'), 'deep' => true])))->toBe(['Boats', '  Ropes', 'Songs'])
        ->and(rowsIn($map, tableOf(['when' => json_encode(['ask' => 'text', 'has' => 'o'])])))->toBe(['Oil', 'Boats', 'Ropes', 'Songs'])
        ->and(rowsIn($map, tableOf(['deep' => true]), 'ropes or oil'))->toBe(['Oil', 'Ropes'])
        // The branch of a table may be gone.
        ->and(rowsIn($map, tableOf(['branch' => Ids::next()])))->toBe(['Autumn', 'Winter']);
});

it('puts rows in order, siblings with what is below them where all levels are seen, and what has nothing last either way', function () {
    $map = budget();
    $cost = 'field:'.budgetField('cost');
    expect(rowsIn($map, tableOf(['branch' => titled($map, 'Winter'), 'order' => 'title'])))->toBe(['Boats', 'Songs'])
        ->and(rowsIn($map, tableOf(['branch' => titled($map, 'Winter'), 'order' => '-title'])))->toBe(['Songs', 'Boats'])
        ->and(rowsIn($map, tableOf(['deep' => true, 'order' => '-title'])))->toBe(['Winter', '  Songs', '  Boats', '    Ropes', 'Autumn', '  Oil', '  Lanterns'])
        ->and(rowsIn($map, tableOf(['when' => json_encode(['ask' => 'level', 'how' => 'over', 'than' => 1]), 'order' => $cost])))->toBe(['Oil', 'Ropes', 'Lanterns', 'Boats', 'Songs'])
        ->and(rowsIn($map, tableOf(['when' => json_encode(['ask' => 'level', 'how' => 'over', 'than' => 1]), 'order' => "-{$cost}"])))->toBe(['Boats', 'Lanterns', 'Ropes', 'Oil', 'Songs'])
        // By the first, and where that is the same by the second.
        ->and(rowsIn($map, tableOf(['deep' => true, 'when' => json_encode(['ask' => 'level', 'how' => 'over', 'than' => 1]), 'order' => 'above title'])))->toBe(['Lanterns', 'Oil', 'Ropes', 'Boats', 'Songs']);
});

it('puts rows under heads, all those of a choice and one for what has none', function () {
    $map = budget();
    expect(rowsIn($map, tableOf(['when' => json_encode(['ask' => 'level', 'how' => 'over', 'than' => 1]), 'by' => 'field:'.budgetField('state')])))->toBe(['# open', 'Boats', '# ordered', 'Lanterns', '# paid', 'Oil', '# None', 'Ropes', 'Songs']);
    setTask($map, 'Oil', ['who' => 'Ines, Theo']);
    setTask($map, 'Boats', ['who' => 'Theo']);
    expect(rowsIn($map, tableOf(['deep' => true, 'by' => 'who'])))->toBe(['# Ines', 'Oil', '# Theo', 'Oil', 'Boats', '# None', 'Autumn', 'Lanterns', 'Winter', 'Ropes', 'Songs']);
});

it('puts heads of what stands above in the order of the map, however rows are put in order', function (?string $order) {
    $map = Outline::map("Festival\n\tWillow\n\t\tBend\n\t\tSoak\n\tBoats\n\t\tAir\n\t\tCaulk");
    $heads = array_filter(rowsIn($map, tableOf(['by' => 'above', 'deep' => true, 'order' => $order])), fn (string $line): bool => str_starts_with($line, '#'));
    expect(array_values($heads))->toBe(['# Festival', '# Willow', '# Boats']);
})->with(['as they stand' => null, 'by title' => 'title', 'by title, down' => '-title']);

it('tells below columns what they come to, each topic counted once', function () {
    $map = budget();
    setTask($map, 'Oil', ['who' => 'Ines, Theo', 'progress' => 100, 'by' => '2026-12-05']);
    setTask($map, 'Boats', ['who' => 'Theo', 'by' => '2026-11-30']);
    $totals = function (string $columns) use ($map): array {
        return TableRows::of(new Moment($map, A_DAY), tableOf(['deep' => true, 'by' => 'who', 'columns' => $columns]))->totals();
    };
    $cost = 'field:'.budgetField('cost');
    $each = fn (string $key): array => array_merge(...array_map(fn (string $how): array => $totals("{$key} - {$how}"), ['sum', 'mean', 'least', 'most', 'count', 'done']));
    expect($each($cost))->toBe(['€1,135.50', '€283.88', '€35.50', '€900', '4', '1 of 2'])
        ->and($each('by'))->toBe(['', '', 'Mon 30 Nov', 'Sat 5 Dec', '2', '1 of 2'])
        ->and($each('title'))->toBe(['', '', 'Autumn', 'Winter', '7', '1 of 2']);
});

it('tells of a topic without a number what those below it come to, and counts none twice', function () {
    $map = budget();
    done($map, 'row.set', ['type' => 'field', 'row' => budgetField('cost'), 'fields' => ['rolls' => 'sum']]);
    $rows = TableRows::of(new Moment($map, A_DAY), tableOf(['deep' => true, 'columns' => 'field:'.budgetField('cost').' - sum']));
    $cells = $rows->cells([titled($map, 'Winter'), titled($map, 'Boats'), titled($map, 'Songs')]);
    expect(array_map(fn (array $row): array => $row[0], array_values($cells)))->toBe([['', '', '€980'], ['€900', '900', null], ['', '', null]])
        ->and($rows->totals())->toBe(['€1,135.50']);
});

it('has the columns that are used where nobody said which', function () {
    $map = budget();
    setTask($map, 'Oil', ['who' => 'Ines']);
    $keys = fn (array $fields): array => array_map(fn (TableColumn $column): string => $column->key, TableRows::of(new Moment($map, A_DAY), tableOf($fields))->columns);
    expect($keys(['deep' => true]))->toBe(['title', 'who', 'progress', 'field:'.budgetField('cost'), 'field:'.budgetField('state')])
        ->and($keys(['columns' => "title 300\nfield:".Ids::next()."\nnote - count"]))->toBe(['title', 'note']);
});

it('has a head for every state of to-dos, and leaves what is under way as far as it is', function () {
    $map = budget();
    setTask($map, 'Oil', ['progress' => 40]);
    expect(rowsIn($map, tableOf(['deep' => true, 'by' => 'progress', 'when' => '{"any":[{"ask":"text","has":"oil"},{"ask":"text","has":"ropes"}]}'])))->toBe(['# Open', '# Under way', 'Oil', '# Done', '# None', 'Ropes']);
    typeIn($map, 'Oil', 'progress', 'under way');
    expect(Tasks::task($map, titled($map, 'Oil'))->progress())->toBe(40);
    typeIn($map, 'Oil', 'progress', 'done');
    typeIn($map, 'Ropes', 'progress', 'under way');
    expect([Tasks::task($map, titled($map, 'Oil'))->progress(), Tasks::task($map, titled($map, 'Ropes'))->progress()])->toBe([100, 10]);
});

it('refuses columns, orders and heads that are none', function (string $field, string $text) {
    expect(fn () => done(committee(), 'row.set', ['type' => 'table', 'row' => Ids::next(), 'fields' => ['name' => 'A', $field => $text]]))->toThrow(InvalidEdit::class);
})->with([
    ['columns', ''], ['columns', 'Title'], ['columns', "title\ntitle"], ['columns', 'title 5'], ['columns', 'title 100 product'], ['columns', implode("\n", array_fill(0, 61, 'a'))],
    ['by', 'a b'], ['order', '--title'], ['order', 'a b c d e'], ['branch', 'nowhere'],
]);

it('puts what is typed where it belongs, as one step, and tells it back as one would type it', function (string $column, string $typed, string $shown, ?string $back = null) {
    $map = budget();
    $now = fn (): Moment => new Moment($map, A_DAY);
    $oil = titled($map, 'Oil');
    typeIn($map, 'Oil', $column, $typed);
    $at = Columns::of($now())[$column];
    expect(implode(', ', $at->told($oil)))->toBe($shown)->and($at->typing->typed($oil))->toBe($back ?? $typed);
    // The same typed again changes nothing; nothing typed takes it away.
    expect(done($map, 'cells.set', ['cells' => [['topic' => $oil, 'column' => $column, 'text' => $at->typing->typed($oil)]], 'today' => A_DAY])->all)->toBe([]);
    if ($column !== 'title') {
        done($map, 'cells.set', ['cells' => [['topic' => $oil, 'column' => $column, 'text' => '']], 'today' => A_DAY]);
        expect(Columns::of($now())[$column]->typing->typed($oil))->toBe('');
    }
})->with([
    ['title', 'Lamp *oil*', 'Lamp oil'],
    ['caption', 'of whales', 'of whales'],
    ['note', "Two\nlines", "Two\nlines"],
    ['tags', 'sea, to buy', 'sea, to buy'],
    ['stamps', 'done, idea', 'done, idea'],
    ['stamps', '3', 'third', 'third'],
    ['kind', 'meeting', 'Meeting', 'Meeting'],
    ['who', 'Ines; Theo', 'Ines, Theo', 'Ines, Theo'],
    ['by', '5 Dec', 'by Sat 5 Dec', '2026-12-05'],
    ['begins', '2026-12-01', 'from Tue 1 Dec'],
    ['progress', '40 %', '40 %', '40'],
    ['progress', 'Under way', '10 %', '10'],
    ['progress', 'DONE', '100 %', '100'],
    ['progress', 'open', '0 %', '0'],
    ['effort', '12', '12 h'],
    ['field:0c0st000000000000000000000', '1.240,50', '€1,240.50', '1240.5'],
    ['field:0state00000000000000000000', 'PAID', 'paid', 'paid'],
]);

it('refuses what cannot stand in a cell, says where, and changes nothing', function () {
    $map = budget();
    $before = serialize($map->rows());
    $cell = fn (string $title, string $column, string $text): array => ['topic' => titled($map, $title), 'column' => $column, 'text' => $text];
    $set = fn (array ...$cells) => done($map, 'cells.set', ['cells' => $cells, 'today' => A_DAY]);
    expect(fn () => $set($cell('Oil', 'field:'.budgetField('cost'), 'dear')))->toThrow(InvalidEdit::class, '“Cost” wants a number')
        ->and(fn () => $set($cell('Oil', 'title', 'Fat'), $cell('Boats', 'field:'.budgetField('state'), 'sunk')))->toThrow(InvalidEdit::class, 'At “Boats”: “State” can be: open, ordered, paid. Nothing was changed.')
        ->and(fn () => $set($cell('Oil', 'above', 'Winter')))->toThrow(InvalidEdit::class, 'nothing is typed there')
        ->and(fn () => $set($cell('Oil', 'nothing', 'x')))->toThrow(InvalidEdit::class, 'not in the map any more')
        ->and(fn () => $set($cell('Oil', 'stamps', 'anchor')))->toThrow(InvalidEdit::class, 'no stamp called “anchor”')
        ->and(fn () => $set($cell('Oil', 'kind', 'Voyage')))->toThrow(InvalidEdit::class, 'no kind called “Voyage”')
        ->and(fn () => $set($cell('Oil', 'progress', '140')))->toThrow(InvalidEdit::class)
        ->and(fn () => $set())->toThrow(InvalidEdit::class);
    expect(serialize($map->rows()))->toBe($before);
});

it('puts what only fits together there at once', function () {
    $map = budget();
    setTask($map, 'Oil', ['begins' => '2026-12-01', 'by' => '2026-12-03']);
    $move = fn (array ...$days) => done($map, 'cells.set', ['cells' => array_map(fn (array $day): array => ['topic' => titled($map, 'Oil'), 'column' => $day[0], 'text' => $day[1]], $days), 'today' => A_DAY]);
    $move(['begins', '2026-12-10'], ['by', '2026-12-12']);
    $move(['by', '2026-11-30'], ['begins', '2026-11-29']);
    expect(Tasks::task($map, titled($map, 'Oil'))->saying())->toMatchArray(['begins' => '2026-11-29', 'by' => '2026-11-30']);
    expect(fn () => $move(['begins', '2026-12-10']))->toThrow(InvalidEdit::class, 'begins before it is due');
});

it('makes no to-do of a topic where nothing is typed, and a tag of the same name once', function () {
    $map = budget();
    typeIn($map, 'Oil', 'who', ' ');
    expect(Tasks::is($map, titled($map, 'Oil')))->toBeFalse();
    done($map, 'cells.set', ['cells' => [['topic' => titled($map, 'Oil'), 'column' => 'tags', 'text' => 'Sea'], ['topic' => titled($map, 'Boats'), 'column' => 'tags', 'text' => 'sea, rope']], 'today' => A_DAY]);
    expect($map->rowsOf(ChalkTree\Sign\Tag::class))->toHaveCount(2);
});

it('tells what there is on some days, whatever its level, and which of it can be several', function () {
    $map = budget();
    setTask($map, 'Oil', ['by' => '2026-12-05', 'begins' => '2026-12-01']);
    setTask($map, 'Ropes', ['by' => '2026-12-20']);
    setTask($map, 'Songs', ['who' => 'Ines']);
    done($map, 'kind.give', ['topics' => [titled($map, 'Boats')], 'kind' => ShippedKinds::kindId('meeting'), 'today' => A_DAY]);
    done($map, 'value.set', ['topics' => [titled($map, 'Boats')], 'field' => ShippedKinds::fieldId('date'), 'value' => '2026-12-04', 'today' => A_DAY]);
    $on = fn (string $from, string $to, array $fields = []): array => array_map(
        fn ($item): string => $item->title.' '.implode(' – ', array_map(fn (string $day): string => substr($day, 5), TableDays::span($item))).(TableDays::isSpan(new Moment($map, A_DAY), $item) ? ' …' : ''),
        TableDays::of(new Moment($map, A_DAY), tableOf($fields), null, $from, $to),
    );
    expect($on('2026-12-01', '2026-12-31'))->toBe(['Oil 12-01 – 12-05 …', 'Boats 12-04 – 12-04', 'Ropes 12-20 – 12-20 …'])
        ->and($on('2026-12-05', '2026-12-05'))->toBe(['Oil 12-01 – 12-05 …'])
        ->and($on('2026-12-06', '2026-12-19'))->toBe([])
        ->and($on('2026-12-01', '2026-12-31', ['branch' => titled($map, 'Winter')]))->toBe(['Boats 12-04 – 12-04', 'Ropes 12-20 – 12-20 …']);
});

it('puts topics in the order of a table for good', function () {
    $map = budget();
    done($map, 'rows.order', ['branch' => null, 'deep' => true, 'order' => '-title', 'today' => A_DAY]);
    expect(rowsIn($map, tableOf(['deep' => true])))->toBe(['Winter', '  Songs', '  Boats', '    Ropes', 'Autumn', '  Oil', '  Lanterns']);
    expect(done($map, 'rows.order', ['branch' => null, 'deep' => true, 'order' => '-title', 'today' => A_DAY])->all)->toBe([]);
    done($map, 'rows.order', ['branch' => titled($map, 'Autumn'), 'order' => 'field:'.budgetField('cost'), 'today' => A_DAY]);
    expect(rowsIn($map, tableOf(['branch' => titled($map, 'Autumn')])))->toBe(['Oil', 'Lanterns']);
});

it('makes topics of rows, and changes those that a key tells', function () {
    $map = budget();
    $cost = 'field:'.budgetField('cost');
    $bring = fn (array $columns, array $rows, ?int $key = null) => done($map, 'rows.bring', ['parent' => titled($map, 'Autumn'), 'columns' => $columns, 'rows' => $rows, 'key' => $key, 'today' => A_DAY]);
    $bring(['title', null, $cost, 'tags'], [['Wicks *3', 'left behind', '4', 'small'], ['', '', '', ''], ['Glass', '', '', '']]);
    expect(rowsIn($map, tableOf(['branch' => titled($map, 'Autumn')])))->toBe(['Lanterns', 'Oil', 'Wicks \*3', 'Glass'])
        ->and(Kinds::values($map, titled($map, 'Wicks \*3')))->toBe([budgetField('cost') => '4']);
    // By its title, however that is written; an empty cell leaves what is there.
    $bring(['title', $cost, 'caption'], [['OIL', '', 'of fish'], ['Paint', '7', '']], 0);
    expect(rowsIn($map, tableOf(['branch' => titled($map, 'Autumn')])))->toBe(['Lanterns', 'Oil', 'Wicks \*3', 'Glass', 'Paint'])
        ->and($map->topic(titled($map, 'Oil'))->caption)->toBe('of fish')
        ->and(Kinds::values($map, titled($map, 'Oil'))[budgetField('cost')])->toBe('35.5');
    $bring(['caption', 'title'], [['of fish', 'Fish oil']], 0);
    expect(rowsIn($map, tableOf(['branch' => titled($map, 'Autumn')])))->toContain('Fish oil')->not->toContain('Oil');
    expect(fn () => $bring(['title', $cost], [['A', '1'], ['B', 'dear']]))->toThrow(InvalidEdit::class, 'Row 2: “Cost” wants a number')
        ->and(fn () => $bring([$cost], [['1']]))->toThrow(InvalidEdit::class, 'which column is the title')
        ->and(fn () => $bring(['title', 'title'], [['A', 'B']]))->toThrow(InvalidEdit::class, 'Two columns')
        ->and(fn () => $bring(['title', 'branch'], [['A', 'B']]))->toThrow(InvalidEdit::class, 'follows from other things')
        ->and(fn () => $bring(['title', ...array_fill(0, 400, null)], array_fill(0, 800, ['A'])))->toThrow(InvalidEdit::class, 'At most 300,000 cells')
        ->and(fn () => $bring(['title'], [['A', 'B']]))->toThrow(InvalidEdit::class, 'no more than there are columns');
    expect(rowsIn($map, tableOf(['branch' => titled($map, 'Autumn')])))->not->toContain('A');
});

it('tells how a table in text is written', function (string $bytes, array $told, array $head, array $rows) {
    $table = CsvTable::read($bytes)->withPoints();
    expect([$table->encoding, $table->separator, $table->hasDecimalComma])->toBe($told)->and($table->head)->toBe($head)->and($table->rows)->toBe($rows);
})->with([
    'commas' => ["What,Cost\nOil,35.5\n", ['UTF-8', ',', false], ['What', 'Cost'], [['Oil', '35.5']]],
    'semicolons and decimal commas' => ["What;Cost;From\r\nOil;1.035,5;1,5 l\r\nBoats;-900;\r\n", ['UTF-8', ';', true], ['What', 'Cost', 'From'], [['Oil', '1035.5', '1,5 l'], ['Boats', '-900', '']]],
    'tabs' => ["What\tCost\nOil\t35\n", ['UTF-8', "\t", false], ['What', 'Cost'], [['Oil', '35']]],
    'bars, and commas within' => ["What|Who\nOil, fine|Ines\nRope, thick|Theo\n", ['UTF-8', '|', false], ['What', 'Who'], [['Oil, fine', 'Ines'], ['Rope, thick', 'Theo']]],
    'quotes with breaks in them' => ["What,Said\nOil,\"two\nlines, and \"\"quotes\"\"\"\n", ['UTF-8', ',', false], ['What', 'Said'], [['Oil', "two\nlines, and \"quotes\""]]],
    'no head' => ["Oil,35\nBoats,900\n", ['UTF-8', ',', false], ['', ''], [['Oil', '35'], ['Boats', '900']]],
    'one row' => ['Oil,Boats', ['UTF-8', ',', false], ['', ''], [['Oil', 'Boats']]],
    'Windows-1252' => ["Stra\xDFe;St\xFCck\nHafen;3\n", ['Windows-1252', ';', false], ['Straße', 'Stück'], [['Hafen', '3']]],
    'UTF-16' => ["\xFF\xFE".mb_convert_encoding("What\tWo\nÖl\tHafen\n", 'UTF-16LE', 'UTF-8'), ['UTF-16', "\t", false], ['What', 'Wo'], [['Öl', 'Hafen']]],
    'a byte order mark, and empty lines' => ["\xEF\xBB\xBFWhat,Who\n\n,,\nOil,Ines\n", ['UTF-8', ',', false], ['What', 'Who'], [['Oil', 'Ines']]],
    'nothing' => ['', ['UTF-8', ',', false], [], []],
]);

it('finds where the columns of a file would go, and what a new field would hold', function () {
    $map = budget();
    $file = CsvTable::read("Thing,cost,STATE,Since,Fresh,Weight,By whom,Long\nOil,3,open,2026-03-01,yes,1.5,Ines,".str_repeat('word ', 60)."\nRope,4,paid,2026-04-01,no,2,Ines,x\nBoat,9,open,2026-05-02,yes,3,Theo,y\nNets,9,open,2026-05-02,yes,3,Theo,y\n");
    $matches = TableFile::matches(new Moment($map, A_DAY), $file);
    expect(array_map(fn (array $one): string => "{$one['name']} → ".($one['column'] ?? $one['sort']), $matches))->toBe([
        'Thing → title', 'cost → field:'.budgetField('cost'), 'STATE → field:'.budgetField('state'), 'Since → date', 'Fresh → yes', 'Weight → number', 'By whom → choice', 'Long → long',
    ])->and($matches[6]['choices'])->toBe(['Ines', 'Theo']);
    expect(array_column(TableFile::matches(new Moment($map, A_DAY), CsvTable::read("1,Oil,Oil\n2,Rope,Oil\n")), 'column'))->toBe([null, 'title', null]);
    expect(array_column(TableFile::matches(new Moment($map, A_DAY), CsvTable::read("Name,Telephone\nOil,0417 22\nRope,041733\n")), 'sort'))->toBe(['text', 'text']);
});

it('reads from its own file what it wrote', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance, 25);
    $columns = array_values(array_filter(array_keys(Columns::of(new Moment($map, A_DAY))), fn (string $key): bool => ! in_array($key, ['title', 'note'], true) && Columns::of(new Moment($map, A_DAY))[$key]->typing !== null));
    $table = tableOf(['columns' => implode("\n", ['title', ...array_slice($columns, 0, 50)])]);
    $csv = TableFile::write(new Moment($map, A_DAY), $table);
    $file = CsvTable::read($csv);
    $plain = fn (string $title): string => trim((string) preg_replace('/\s+/', ' ', InlineMarkdown::plain($title)));
    $titles = array_values(array_map(fn (Topic $topic): string => $plain($topic->title), $map->children($map->root()->id)));
    // A row in which there is nothing at all is none.
    $read = array_map(fn (array $row): string => trim((string) preg_replace('/\s+/', ' ', $row[0])), $file->rows);
    expect(array_values(array_filter($read)))->toBe(array_values(array_filter($titles)));
})->with(range(1, 15));

it('types back what it tells, whatever is in the map', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance, 25);
    $cells = [];
    foreach (Columns::of(new Moment($map, A_DAY)) as $column) {
        foreach ($column->typing === null ? [] : idsIn($map) as $id) {
            $cells[] = ['topic' => $id, 'column' => $column->key, 'text' => $column->typing->typed($id)];
        }
    }
    expect(done($map, 'cells.set', ['cells' => $cells, 'today' => A_DAY])->all)->toBe([]);
})->with(range(1, 20));

it('has each topic in a row once, however rows are put in order, and numbers as they follow each other', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance, 40);
    $now = new Moment($map, A_DAY);
    $key = $chance->pick(array_keys(Columns::of($now)));
    $rows = TableRows::of($now, tableOf(['deep' => true, 'order' => ($chance->yes(50) ? '-' : '').$key]));
    $ids = array_map(fn (TableRow $row): string => $row->topic, $rows->groups[0]->rows);
    $below = array_values(array_diff(array_map(strval(...), array_keys($map->branch($map->root()->id))), [$map->root()->id]));
    expect($ids)->toEqualCanonicalizing($below);
    // Each row stands right below the nearest before it that is one level higher.
    $open = [];
    foreach ($rows->groups[0]->rows as $row) {
        $open = array_slice($open, 0, $row->depth);
        expect($map->topic($row->topic)->parent)->toBe($row->depth === 0 ? $map->root()->id : $open[$row->depth - 1]);
        $open[] = $row->topic;
    }
    $grouped = TableRows::of($now, tableOf(['deep' => true, 'by' => $key]))->topics();
    expect($grouped)->toEqualCanonicalizing($below);
})->with(range(1, 25));
