<?php

declare(strict_types=1);

namespace ChalkTree\Map;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\InvalidEdit;

/**
 * A row that a feature keeps: one a topic, whose id is the topic's; or one about several topics, which it names in
 * fields of that sort, with an id of its own; or one of the map as a whole, about no topic. A class says what it is called and which fields it has; everything
 * else follows from that.
 */
abstract readonly class FeatureRow implements Row
{
    /** @param  array<string, scalar|null>  $values  of all its fields */
    final private function __construct(public string $id, private array $values)
    {
    }

    /** @return non-empty-array<string, Field> its fields by name */
    abstract public static function declared(): array;

    /** @return non-empty-array<string, Field> the same, made once */
    final public static function known(): array
    {
        /** @var array<class-string, non-empty-array<string, Field>> $known */
        static $known = [];

        return $known[static::class] ??= static::declared();
    }

    /**
     * Rows of the map without which it would say less; where it is copied to another map they go along.
     *
     * @return list<array{class-string<FeatureRow>, string}> their sorts and ids
     */
    public function needs(): array
    {
        return [];
    }

    /** What it is called in the middle of a sentence, "width", "cross-link". */
    abstract public static function words(): string;

    /** Whether it says how a topic stands in its place, so that it goes when the topic is hung on another. */
    public static function isOfPlace(): bool
    {
        return false;
    }

    /** Whether it is about the map as a whole and no topic of it. */
    public static function isOfMap(): bool
    {
        return false;
    }

    /** Of those of the map: whether topics may look otherwise when it changes. */
    public static function isDrawnByLooks(): bool
    {
        return static::isOfMap();
    }

    /** How many of them a map holds at most, where there is not one a topic. */
    public static function most(): int
    {
        return static::isOfMap() ? Bounds::MOST_OF_MAP : Bounds::MOST_TOPICS;
    }

    /** Whether people are told when it changes, because it is theirs to say; else it only follows from what they did. */
    public static function isTold(): bool
    {
        return true;
    }

    /** Whether there is one a topic, which has the topic's id. */
    final public static function isOfTopic(): bool
    {
        return static::ends() === [] && ! static::isOfMap();
    }

    final public static function fromFields(string $id, array $fields): static
    {
        /** @var array<class-string, array<string, scalar|null>> $blanks */
        static $blanks = [];
        $known = static::known();
        $values = $blanks[static::class] ??= array_map(fn (Field $field): int|string|bool|null => $field->blank, $known);
        // Most rows say little, and a map may have many.
        foreach ($fields as $name => $value) {
            if (isset($known[$name])) {
                $values[$name] = $known[$name]->kept($value);
            }
        }

        return new static($id, $values);
    }

    /**
     * Reads those fields that are given.
     *
     * @return array<string, scalar|null>
     */
    final public static function read(Arguments $fields): array
    {
        $values = [];
        foreach (static::known() as $name => $field) {
            if ($fields->has($name)) {
                $values[$name] = $field->read($fields, $name);
            }
        }
        $fields->refuseRest();

        return $values;
    }

    /** @return list<string> the names of the fields that name topics; empty for a sort of which there is one a topic, or that is of the map */
    final public static function ends(): array
    {
        /** @var array<class-string, list<string>> $ends */
        static $ends = [];

        return $ends[static::class] ??= array_keys(array_filter(static::known(), fn (Field $field): bool => $field->isTopic()));
    }

    /** @return list<string> the names of the fields that hold text */
    final public static function texts(): array
    {
        return array_keys(array_filter(static::known(), fn (Field $field): bool => $field->isText()));
    }

    /** Whether it may keep texts that a person wrote; see textsIn(). */
    public static function hasTexts(): bool
    {
        return static::texts() !== [];
    }

    /**
     * The texts in it that a person wrote, to be found and replaced: those in fields of text, and whatever a sort of row keeps in a form of its own.
     *
     * @param  TopicMap|null  $map  null where only its words are wanted, and nobody knows the map
     * @return array<string, array{string, string}> each with what it is called in the middle of a sentence, by a name
     */
    public function textsIn(?TopicMap $map): array
    {
        $texts = [];
        foreach (static::texts() as $name) {
            $texts[$name] = [$this->text($name), static::known()[$name]->called ?? static::words()];
        }

        return $texts;
    }

    /** @throws InvalidEdit where it cannot be so */
    public function withText(TopicMap $map, string $name, string $text): static
    {
        return $this->with(static::read(new Arguments([$name => $text])));
    }

    /** @return list<string> the names of the fields that can be asked for across maps */
    final public static function asked(): array
    {
        return array_keys(array_filter(static::known(), fn (Field $field): bool => $field->isAsked));
    }

    /** @return list<Fact> what it says of its topics that can be asked for */
    final public function facts(): array
    {
        $facts = [];
        foreach (array_intersect_key($this->saying(), array_flip(static::asked())) as $name => $value) {
            foreach ($this->topics() as $topic) {
                $facts[] = static::known()[$name]->fact($topic, static::type().'.'.$name, $value);
            }
        }

        return $facts;
    }

    final public function id(): string
    {
        return $this->id;
    }

    final public function fields(): array
    {
        return $this->values;
    }

    /** @return array<string, scalar|null> the fields that say something */
    final public function saying(): array
    {
        $saying = [];
        foreach (static::known() as $name => $field) {
            $value = $this->values[$name] ?? $field->blank;
            if ($value !== $field->blank) {
                $saying[$name] = $value;
            }
        }

        return $saying;
    }

    /** Whether it is a row of one topic and says nothing, so that it need not be there. */
    final public function isEmpty(): bool
    {
        return static::isOfTopic() && $this->saying() === [];
    }

    final public function text(string $field): string
    {
        $value = $this->values[$field] ?? '';

        return is_string($value) ? $value : '';
    }

    final public function flag(string $field): bool
    {
        return ($this->values[$field] ?? null) === true;
    }

    final public function number(string $field): ?int
    {
        $value = $this->values[$field] ?? null;

        return is_int($value) ? $value : null;
    }

    /** @param  array<string, scalar|null>  $changed */
    final public function with(array $changed): static
    {
        return new static($this->id, array_replace($this->values, array_intersect_key($changed, $this->values)));
    }

    final public function topics(): array
    {
        $ends = static::ends();

        return static::isOfTopic() ? [$this->id] : array_values(array_map(fn (string $end): string => $this->text($end), $ends));
    }

    /**
     * The same about copies of its topics.
     *
     * @param  array<string, string>  $copies  ids of copies by those of the originals
     * @return static|null  null where not all of its topics were copied, or it is of the map
     */
    final public function about(array $copies): ?static
    {
        if (static::isOfMap() || array_diff_key(array_flip($this->topics()), $copies) !== []) {
            return null;
        }
        $ends = static::ends();
        if ($ends === []) {
            return new static($copies[$this->id], $this->values);
        }

        return (new static(Ids::next(), $this->values))->with(array_combine($ends, array_map(fn (string $end): string => $copies[$this->text($end)], $ends)));
    }
}
