<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** A colour of the set. First-level branches take the chalks in turn; neighbours differ in lightness as in hue. */
enum Chalk: string
{
    case Tide = 'tide';
    case Ember = 'ember';
    case Heather = 'heather';
    case Marigold = 'marigold';
    case Kelp = 'kelp';
    case Coral = 'coral';
    case Dusk = 'dusk';
    case Samphire = 'samphire';
    case Driftwood = 'driftwood';
    case Mussel = 'mussel';

    public static function inTurn(int $n): self
    {
        $all = self::cases();

        return $all[$n % count($all)];
    }

    /** Spines and connectors; at least as clear against the board as lines have to be. */
    public function line(BoardTheme $board): string
    {
        /** @var array<string, string> $made */
        static $made = [];

        return $made["{$this->value} {$board->value}"] ??= Palette::seen($board->isDark()
            ? match ($this) {
                self::Tide => '#7cc4c4', self::Ember => '#e98a6c', self::Heather => '#c3a3e0', self::Marigold => '#f0c766',
                self::Kelp => '#86b889', self::Coral => '#f4b0b4', self::Dusk => '#92acec', self::Samphire => '#cddc8c',
                self::Driftwood => '#cfb296', self::Mussel => '#b4c0cb',
            }
            : match ($this) {
                self::Tide => '#2b7f86', self::Ember => '#b2442b', self::Heather => '#8458ad', self::Marigold => '#a9730b',
                self::Kelp => '#2f6142', self::Coral => '#cc5f6c', self::Dusk => '#3b529c', self::Samphire => '#72851f',
                self::Driftwood => '#7f5d3d', self::Mussel => '#53606c',
            }, $board);
    }

    /** The paper of first-level slips; text on it has at least 7 to 1. */
    public function tint(BoardTheme $board): string
    {
        return match ($board) {
            BoardTheme::Slate => match ($this) {
                self::Tide => '#23555c', self::Ember => '#5b3a35', self::Heather => '#4a4263', self::Marigold => '#56492a',
                self::Kelp => '#27503f', self::Coral => '#5d4148', self::Dusk => '#33466d', self::Samphire => '#4a5430',
                self::Driftwood => '#4f453b', self::Mussel => '#3c4d57',
            },
            BoardTheme::Day => match ($this) {
                self::Tide => '#dbecea', self::Ember => '#f6ded4', self::Heather => '#ebe1f1', self::Marigold => '#f8e9c6',
                self::Kelp => '#dae7d8', self::Coral => '#fae1e0', self::Dusk => '#dfe4f2', self::Samphire => '#ebefcf',
                self::Driftwood => '#ece1d4', self::Mussel => '#e3e6e8',
            },
            default => Palette::tint($this->line($board), $board),
        };
    }

    /** Text in this chalk, on whatever paper of the board. */
    public function text(BoardTheme $board): string
    {
        /** @var array<string, string> $made */
        static $made = [];

        return $made["{$this->value} {$board->value}"] ??= Contrast::passing($this->line($board), Palette::grounds($board), $board->leastOfText());
    }
}
