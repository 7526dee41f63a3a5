<?php

declare(strict_types=1);

namespace ChalkTree\Draw;

use ChalkTree\Look\BoardTheme;
use ChalkTree\Look\Chalk;
use ChalkTree\Look\Palette;

/** The colours that a drawing has for the roles of what it is made of: those of a board, or of paper. */
final readonly class Paints
{
    /** What a drawing can be on besides the boards that a person chooses from. */
    public const GROUNDS = ['day', 'slate', 'white', 'ink'];

    private const INK = ['ink' => '#000000', 'plate-ink' => '#000000', 'soft' => '#333333', 'link' => '#000000', 'edge' => '#777777', 'field' => '#777777'];

    /** Of an edge that stands for a paper which is not printed, pixels. */
    private const EDGE = 1.4;

    private function __construct(public BoardTheme $board, private bool $isWhite, public bool $isInk)
    {
    }

    public static function board(BoardTheme $board): self
    {
        return new self($board, false, false);
    }

    /** The colours of day, on white paper. */
    public static function white(): self
    {
        return new self(BoardTheme::Day, true, false);
    }

    /** Black on white, with nothing filled: saves ink, and is seen on any copier. */
    public static function ink(): self
    {
        return new self(BoardTheme::Day, true, true);
    }

    /** @param  string  $ground  one of GROUNDS; anything else for the board */
    public static function on(string $ground, BoardTheme $board): self
    {
        return match ($ground) {
            'white' => self::white(),
            'ink' => self::ink(),
            'day', 'slate' => self::board(BoardTheme::from($ground)),
            default => self::board($board),
        };
    }

    /** A role as the variable of a page that has css(). */
    public static function variable(string $role): string
    {
        [$sort, $name] = [...explode(':', $role, 2), ''];

        return match (true) {
            $name === '' => "var(--{$sort})",
            $sort === 'tint' || $sort === 'text' => "var(--{$name}-{$sort})",
            default => "var(--{$name})",
        };
    }

    /** All colours as variables of a page. */
    public function css(Palette $palette): string
    {
        $css = '';
        foreach (['board', 'slip', 'ink', 'soft', 'plate', 'plate-ink', 'edge', 'code', 'link', 'field'] as $role) {
            $css .= "--{$role}:{$this->of($role, $palette)};";
        }
        foreach ([...array_map(fn (Chalk $chalk): string => $chalk->value, Chalk::cases()), ...$palette->names()] as $name) {
            $css .= "--{$name}:{$this->of("chalk:{$name}", $palette)};--{$name}-tint:{$this->of("tint:{$name}", $palette)};--{$name}-text:{$this->of("text:{$name}", $palette)};";
        }

        return $css;
    }

    public function ground(): string
    {
        return $this->isWhite ? '#ffffff' : $this->board->colours()['board'];
    }

    /**
     * @param  string  $role  see Primitive
     * @return string a colour as CSS has it, or "none"
     */
    public function of(string $role, Palette $palette): string
    {
        [$sort, $name] = [...explode(':', $role, 2), ''];
        if ($this->isInk) {
            return match ($sort) {
                'chalk', 'text' => '#000000',
                default => self::INK[$role] ?? '#ffffff',
            };
        }
        if ($name !== '') {
            return $palette->colours($name, $this->board)[match ($sort) {
                'tint', 'text' => $sort,
                default => 'line',
            }];
        }

        return $this->isWhite && in_array($role, ['board', 'slip'], true) ? '#ffffff' : $this->board->colours()[lcfirst(str_replace('-', '', ucwords($role, '-')))] ?? 'none';
    }

    /** In black and white, a paper has an edge instead of its colour. */
    public function dressed(Primitive $part): Primitive
    {
        return $this->isInk && $part->part === 'paper' && $part->fill !== '' && $part->stroke === '' && isset($part->what['d'])
            ? Primitive::path('paper', $part->what['d'], 'slip', 'ink', self::EDGE) : $part;
    }
}
