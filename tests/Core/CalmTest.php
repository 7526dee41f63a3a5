<?php

declare(strict_types=1);

use ChalkTree\Look\BoardTheme;
use ChalkTree\Look\Chalk;
use ChalkTree\Look\Contrast;
use ChalkTree\Look\Look;
use ChalkTree\Look\LookBuilder;
use ChalkTree\Look\Looks;
use ChalkTree\Look\Palette;

/**
 * The colours that a paint can come to on a board, with every chalk.
 *
 * @return list<string>
 */
function coloursOf(string $paint, BoardTheme $board): array
{
    $colours = $board->colours();

    return match ($paint) {
        '' => [$colours['board'], $colours['slip']],
        'plate-ink' => [$colours['plateInk']],
        'chalk', 'tint', 'text' => array_map(fn (Chalk $chalk): string => (new Palette)->colours($chalk->value, $board)[$paint === 'chalk' ? 'line' : $paint], Chalk::cases()),
        default => [$colours[$paint]],
    };
}

function leastRatio(array $inks, array $papers): float
{
    $least = 21.0;
    foreach ($inks as $ink) {
        foreach ($papers as $paper) {
            $least = min($least, Contrast::ratio($ink, $paper));
        }
    }

    return $least;
}

it('lets text be read on every board in every look that ships, with every chalk', function (BoardTheme $board) {
    foreach (Looks::names() as $name) {
        foreach (range(0, Looks::DEEPEST) as $level) {
            $own = Looks::called($name)->level($level);
            // As it ships, and with every paper that is offered.
            foreach ([null, 'none', 'slip', 'tint', 'plate'] as $fill) {
                /** @var Look $look */
                $look = $fill === null ? $own : LookBuilder::build($own, ['fill' => $fill]);
                $papers = coloursOf($look->box->fill, $board);
                $inks = [$look->type->ink, $look->type->softInk, ...$look->box->fill === 'plate' ? [] : ['link', 'text']];
                foreach ($inks as $ink) {
                    expect(leastRatio(coloursOf($ink, $board), $papers))->toBeGreaterThanOrEqual($board->leastOfText(), "{$name}, level {$level}, {$ink} on {$look->box->fill}");
                }
            }
        }
    }
})->with(BoardTheme::cases());

it('lets lines be seen on every board, and what can be filled in', function (BoardTheme $board) {
    $papers = [$board->colours()['board'], $board->colours()['slip']];
    expect(leastRatio(coloursOf('chalk', $board), $papers))->toBeGreaterThanOrEqual($board->leastOfLines())
        ->and(leastRatio([$board->colours()['field']], [$board->colours()['slip']]))->toBeGreaterThanOrEqual(Contrast::LINE)
        ->and(leastRatio([$board->colours()['ink']], [$board->colours()['code']]))->toBeGreaterThanOrEqual($board->leastOfText());
})->with(BoardTheme::cases());

it('draws what was mixed for two boards so that it is seen on all others', function (string $colour) {
    foreach (BoardTheme::cases() as $board) {
        $made = Palette::from($colour, $board);
        expect(leastRatio([$made['text']], [...Palette::grounds($board), $made['tint']]))->toBeGreaterThanOrEqual($board->leastOfText());
        if (! in_array($board, BoardTheme::mixedFor(), true)) {
            expect(leastRatio([$made['line']], [$board->colours()['board'], $board->colours()['slip']]))->toBeGreaterThanOrEqual($board->leastOfLines());
        }
    }
})->with(['#ffd84d', '#ffffff', '#000000', '#2b7f86', '#ff00ff']);
