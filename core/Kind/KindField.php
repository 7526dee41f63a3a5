<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\People;
use ChalkTree\Look\NamedLook;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;

/** A field that topics of a map can have: what it is called, what it holds, how it is shown. Kinds name theirs by id. */
final readonly class KindField extends FeatureRow
{
    public const MOST_CHOICES = 60;

    public const ROLLS = ['sum', 'mean', 'least', 'most', 'count'];

    private const MOST = 400;

    public static function type(): string
    {
        return 'field';
    }

    public static function words(): string
    {
        return 'field';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    public static function most(): int
    {
        return self::MOST;
    }

    /**
     * "choices": what can be chosen, one a line. "blank": what a topic of its kind begins with. "formula": of one that is
     * computed; see Formula. "rolls": what is shown on topics of which others below have it. "question": what is asked where it is filled in as an interview; “…” in
     * it stands for the topic.
     */
    public static function declared(): array
    {
        $line = fn (int $longest): \Closure => fn (string $text): bool => preg_match('/^\P{C}{1,'.$longest.'}$/uD', $text) === 1;

        return [
            'name' => NamedLook::named('name of a field'),
            'sort' => Field::choice(array_column(FieldSort::cases(), 'value'))->called('sort of a field'),
            'choices' => Field::formed(fn (string $text): bool => People::fits($text, self::MOST_CHOICES), 4 * 101 * self::MOST_CHOICES, 'be choices, one a line, at most '.self::MOST_CHOICES)->called('choices of a field'),
            'unit' => Field::formed($line(20), 80, 'be a unit of 1 to 20 letters')->called('unit of a field'),
            'blank' => Field::formed($line(200), 800, 'be 1 to 200 letters')->called('first value of a field'),
            'formula' => Field::formed($line(Formula::LONGEST), 4 * Formula::LONGEST, 'be a formula of 1 to '.Formula::LONGEST.' letters')->called('formula of a field'),
            'shown' => Field::flag()->called('showing of a field'),
            'question' => Field::formed($line(200), 800, 'be a question of 1 to 200 letters')->called('question of a field'),
            'rolls' => Field::choice(self::ROLLS)->called('roll-up of a field'),
        ];
    }

    public function sort(): FieldSort
    {
        return FieldSort::tryFrom($this->text('sort')) ?? FieldSort::Text;
    }

    /** @return list<string> */
    public function choices(): array
    {
        return People::all($this->text('choices'));
    }
}
