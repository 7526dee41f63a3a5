<?php

declare(strict_types=1);

use ChalkTree\Ask\Columns;
use ChalkTree\Ask\Moment;
use ChalkTree\Edit\Edits;
use ChalkTree\Exchange\CsvTable;
use ChalkTree\Map\TopicMap;
use ChalkTree\Table\Table;
use ChalkTree\Table\TableColumn;
use ChalkTree\Table\TableFile;
use ChalkTree\Table\TableRows;
use ChalkTree\Table\Total;
use Tests\Support\Chance;

/* What holds of tables whatever is in them: files come back, totals are those of their rows, steps are taken back whole. */

/**
 * A table as some program might write it.
 *
 * @param  list<list<string>>  $rows
 */
function writtenBy(array $rows, string $separator, string $break, string $encoding, bool $quotesAll): string
{
    $cell = fn (string $text): string => $quotesAll || preg_match('/["\r\n]|^\s|\s$/', $text) === 1 || str_contains($text, $separator) ? '"'.str_replace('"', '""', $text).'"' : $text;
    $text = implode($break, array_map(fn (array $row): string => implode($separator, array_map($cell, $row)), $rows)).$break;

    return match ($encoding) {
        'UTF-8' => $text,
        'UTF-16' => "\xFF\xFE".mb_convert_encoding($text, 'UTF-16LE', 'UTF-8'),
        default => mb_convert_encoding($text, $encoding, 'UTF-8'),
    };
}

it('reads a table back in whatever way it was written', function (int $seed) {
    $chance = new Chance($seed);
    $separator = $chance->pick([',', ';', "\t", '|']);
    $encoding = $chance->pick(['UTF-8', 'UTF-16', 'Windows-1252']);
    $pieces = ['lantern', 'oil', 'Größe', 'é', '"quoted"', 'a, b', 'c; d', "two\nlines", '12', '3.5', '=SUM(A1)', '-', 'x | y', "it's", ...($encoding === 'Windows-1252' ? [] : ['ランタン', '🏮', 'фонарь'])];
    $width = $chance->int(2, 6);
    $rows = array_map(fn (int $n): array => array_map(fn (int $i): string => $i === 0 ? "Row {$n}" : ($chance->yes(20) ? '' : $chance->pick($pieces)), range(0, $width - 1)), range(1, $chance->int(3, 30)));
    $head = array_map(fn (int $i): string => "Column {$i}", range(1, $width));
    // Where every cell stands in quotes, nothing of what is in them can be taken for what is between them.
    $table = CsvTable::read(writtenBy([$head, ...$rows], $separator, $chance->pick(["\n", "\r\n"]), $encoding, quotesAll: true));
    expect($table->separator)->toBe($separator)->and($table->head)->toBe($head)->and($table->rows)->toBe($rows);
})->with(range(1, 60));

it('reads back what it writes itself, also what spreadsheets would take for formulas', function (int $seed) {
    $chance = new Chance($seed);
    $pieces = ['=1+1', '+2', '-3', '-3 °C', '@here', "'quoted", "''", ' blank ', "\ttab", 'a,b', 'say "hi"', "two\nlines", '', 'ランタン'];
    $rows = array_map(fn (int $n): array => ["Row {$n}", ...array_map(fn (): string => $chance->pick($pieces), range(1, 4))], range(1, $chance->int(2, 20)));
    $table = CsvTable::read(CsvTable::write([['What', 'A', 'B', 'C', 'D'], ...$rows]));
    expect($table->rows)->toBe($rows);
})->with(range(1, 40));

it('changes nothing of a map that takes its own table back by its titles', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance, 20);
    // Of two that are called alike nobody can say in words which one is meant.
    foreach (idsIn($map) as $n => $id) {
        done($map, 'topic.retitle', ['topic' => $id, 'title' => "Topic {$n}"]);
    }
    $now = new Moment($map, A_DAY);
    // Words of a topic may fit several; days, choices and numbers come back as they are.
    $keys = array_values(array_filter(array_keys(Columns::of($now)), fn (string $key): bool => Columns::of($now)[$key]->typing !== null && ! in_array($key, ['title', 'note'], true)));
    $table = Table::fromFields(str_repeat('0', 26), ['deep' => true, 'columns' => implode("\n", ['title', ...array_slice($keys, 0, 40)])]);
    $file = CsvTable::read(TableFile::write($now, $table));
    $columns = array_column(TableFile::matches($now, $file), 'column');
    $isDeep = $file->head[0] === 'Level';
    // Columns of the same name are told apart by nobody, so only the first of them is taken.
    expect($columns[$isDeep ? 1 : 0])->toBe('title');
    $before = factsOf($map);
    $known = array_filter($columns, fn (?string $column): bool => $column !== null && ! str_starts_with($column, 'field:'));
    done($map, 'rows.bring', ['parent' => $map->root()->id, 'columns' => array_map(fn (?string $column): ?string => in_array($column, $known, true) ? $column : null, $columns), 'rows' => $file->rows, 'key' => array_search('title', $columns, true), 'today' => A_DAY]);
    expect(factsOf($map))->toBe($before);
})->with(range(1, 25));

it('has as a sum what its rows have, however they stand', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance, 40);
    $now = new Moment($map, A_DAY);
    foreach (Columns::of($now) as $column) {
        if (! $column->isOfNumbers()) {
            continue;
        }
        $numbers = array_filter(array_map($column->numberOf(...), array_values(array_diff(array_map(strval(...), array_keys($map->branch($map->root()->id))), [$map->root()->id]))), fn (?float $one): bool => $one !== null);
        foreach ([['deep' => true], ['deep' => true, 'by' => 'who'], ['deep' => true, 'order' => "-{$column->key}"]] as $fields) {
            $rows = TableRows::of($now, Table::fromFields(str_repeat('0', 26), ['columns' => "{$column->key} - sum"] + $fields));
            expect($rows->totals())->toBe([$numbers === [] ? '' : $column->number(array_sum($numbers))]);
            expect(Total::Mean->of($now, $column, $rows->topics()))->toBe($numbers === [] ? '' : $column->number(array_sum($numbers) / count($numbers)));
        }
    }
    expect(TableColumn::read('title 300 sum'))->toEqual(new TableColumn('title', 300, Total::Sum));
})->with(range(1, 20));

it('takes what was typed into many cells back whole, or does nothing of it', function (int $seed) {
    $chance = new Chance($seed);
    $map = mapToAsk($chance, 25);
    $columns = array_filter(Columns::of(new Moment($map, A_DAY)), fn ($column): bool => $column->typing !== null);
    $cells = array_map(fn (): array => ['topic' => $chance->pick(idsIn($map)), 'column' => $chance->pick(array_keys($columns)), 'text' => $chance->pick(['', '12', 'Ines, Theo', 'fri', 'yes', 'idea', 'sea, rope', '14:30'])], range(1, $chance->int(1, 12)));
    $before = rowsOfAll($map);
    try {
        $changes = Edits::apply(Edits::read('cells.set', ['cells' => $cells, 'today' => A_DAY]), $map, 5);
    } catch (ChalkTree\Refusal) {
        expect(rowsOfAll($map))->toBe($before);

        return;
    }
    $changes->reversed()->applyTo($map, new ChalkTree\Edit\Recorder($map));
    expect(rowsOfAll($map))->toBe($before);
})->with(range(1, 40));

/** @return array<string, array<string, mixed>> every row of a map by its sort and id, in order */
function rowsOfAll(TopicMap $map): array
{
    $rows = [];
    foreach ([...array_values($map->rows()), $map->everything()] as $its) {
        foreach ($its as $row) {
            $rows[$row::type().' '.$row->id()] = array_diff_key($row->fields(), ['changed' => 1]);
        }
    }
    ksort($rows);

    return $rows;
}
