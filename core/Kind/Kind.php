<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\People;
use ChalkTree\Look\LookFields;
use ChalkTree\Look\NamedLook;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\Ids;
use ChalkTree\Sign\Sign;

/** A type of topic: its fields, the subtopics it begins with, a look, a stamp, how it is titled, where new ones go. */
final readonly class Kind extends FeatureRow
{
    public const MOST_FIELDS = 60;

    private const LONGEST_PATTERN = 200;

    public static function type(): string
    {
        return 'kind';
    }

    public static function words(): string
    {
        return 'kind';
    }

    public static function isOfMap(): bool
    {
        return true;
    }

    /**
     * "stamp": shown on all its topics. "pattern": how a new one is titled; see Pattern. "goes": where a new one goes below
     * what is chosen; null for last. "people": who is offered in fields of people, one a line. "todo": whether its topics
     * are to-dos. "fields": the ids of its fields, with spaces between. "parts": see KindParts.
     */
    public static function declared(): array
    {
        return [
            'name' => NamedLook::named('name of a kind'),
            'stamp' => Field::formed(fn (string $sign): bool => Sign::sort($sign) === 'stamp' && Sign::isName($sign), 60, 'be a stamp such as “stamp:idea”')->called('stamp of a kind'),
            'pattern' => Field::formed(fn (string $text): bool => preg_match('/^\P{C}{1,'.self::LONGEST_PATTERN.'}$/uD', $text) === 1, 4 * self::LONGEST_PATTERN, 'be 1 to '.self::LONGEST_PATTERN.' letters')->called('title of a kind'),
            'goes' => Field::choice(['first', 'by-date'])->called('place of a kind'),
            'people' => People::field()->called('people of a kind'),
            'todo' => Field::flag()->called('to-dos of a kind'),
            'fields' => Field::formed(self::areIds(...), 27 * self::MOST_FIELDS, 'be ids of fields with spaces between, at most '.self::MOST_FIELDS)->called('fields of a kind'),
            'parts' => Field::formed(KindParts::fit(...), KindParts::LONGEST, 'be subtopics as JSON, at most '.KindParts::MOST)->called('subtopics of a kind'),
        ] + LookFields::all();
    }

    private static function areIds(string $text): bool
    {
        $ids = explode(' ', $text);

        return count($ids) <= self::MOST_FIELDS && array_filter($ids, Ids::valid(...)) === $ids && array_unique($ids) === $ids;
    }

    /** @return list<string> the ids of its fields in their order */
    public function fieldIds(): array
    {
        return $this->text('fields') === '' ? [] : explode(' ', $this->text('fields'));
    }

    public function parts(): KindParts
    {
        return KindParts::of($this->text('parts'));
    }

    /** @return array<string, scalar> the values of its look */
    public function look(): array
    {
        return array_filter(array_intersect_key($this->saying(), LookFields::all()), is_scalar(...));
    }

    public function needs(): array
    {
        return [
            ...array_map(fn (string $field): array => [KindField::class, $field], $this->fieldIds()),
            ...array_map(fn (string $kind): array => [self::class, $kind], $this->parts()->kinds()),
            ...LookFields::mixedIn($this),
        ];
    }
}
