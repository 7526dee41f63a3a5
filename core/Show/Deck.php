<?php

declare(strict_types=1);

namespace ChalkTree\Show;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NamesTopics;
use Closure;

/** A row of slides that show a map, in an order of its own; which those are, the slides say. */
final readonly class Deck extends FeatureRow implements NamesTopics
{
    public const MOST = 100;

    /** Words a minute at which notes are spoken, where nothing is said. */
    public const PACE = 120;

    /** Into what the rest of a map sinks when it is dimmed: the board, black, white. */
    public const VEILS = ['black', 'white'];

    public static function type(): string
    {
        return 'deck';
    }

    public static function words(): string
    {
        return 'deck';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    public static function isDrawnByLooks(): bool
    {
        return false;
    }

    public static function most(): int
    {
        return self::MOST;
    }

    /**
     * "of" and "makes": the topic of whose branch it was made, and how; "inStep": whether what is new there becomes a slide;
     * "pace": words a minute; "gaps": whether what is covered on its slides is so when it is shown.
     */
    public static function declared(): array
    {
        return [
            'name' => Field::text(100)->called('name of the deck'),
            'of' => self::named('topic that the deck is made from'),
            'makes' => Field::choice(array_map(fn (Makes $one): string => $one->value, Makes::cases()))->called('slides that are made'),
            'inStep' => Field::flag()->called('keeping in step'),
            'pace' => Field::number(40, 300)->called('pace of the deck'),
            'veil' => Field::choice(self::VEILS)->called('colour of what is dimmed'),
            'gaps' => Field::flag()->called('gaps of the deck'),
        ];
    }

    /** The id of a topic, or of another row, that is named and need not be there. */
    public static function named(string $what): Field
    {
        return Field::formed(Ids::valid(...), 26, 'be an id')->called($what);
    }

    public function among(Closure $isThere): ?static
    {
        $of = $this->text('of');

        return $of === '' || $isThere($of) ? $this : null;
    }

    public function makes(): ?Makes
    {
        return Makes::tryFrom($this->text('makes'));
    }

    /** Whether what is new in its branch becomes a slide, and what has left it is no slide any more. */
    public function isInStep(): bool
    {
        return $this->flag('inStep') && $this->text('of') !== '' && $this->makes() !== null;
    }
}
