<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use ChalkTree\Map\Ids;
use ChalkTree\Map\NamesTopics;
use ChalkTree\Map\TopicMap;
use Closure;
use WeakMap;

/**
 * The values of a topic in fields, as JSON: an object of texts by the ids of fields, each in the one form that its sort
 * has (ValueForm). Fields beyond those of its kind may be among them.
 */
final readonly class Values extends FeatureRow implements NamesTopics
{
    public const MOST = 200;

    /** Bytes. */
    public const LONGEST = 131_072;

    public const TOPIC = 'topic:';

    public static function type(): string
    {
        return 'values';
    }

    public static function words(): string
    {
        return 'fields';
    }

    public static function declared(): array
    {
        return ['values' => Field::formed(self::fit(...), self::LONGEST, 'be texts by the ids of fields, as JSON')->called('fields')];
    }

    private static function fit(string $json): bool
    {
        $data = json_decode($json, true, 2);
        if (! is_array($data) || $data === [] || count($data) > self::MOST) {
            return false;
        }
        foreach ($data as $id => $value) {
            if (! is_string($value) || $value === '' || ! is_string($id) || ! Ids::valid($id) || preg_match('/[\x00-\x08\x0b-\x1f\x7f]/', $value) === 1) {
                return false;
            }
        }

        return true;
    }

    /** @return array<string, string> by the ids of fields */
    public function all(): array
    {
        if ($this->text('values') === '') {
            return [];
        }

        /** @var WeakMap<self, array<string, string>>|null $read asked for again and again while a map is laid out */
        static $read = null;
        $read ??= new WeakMap;
        /** @var array<string, string> $all */
        $all = $read[$this] ??= json_decode($this->text('values'), true, 2, JSON_THROW_ON_ERROR);

        return $all;
    }

    /** @param  array<string, string|null>  $values  null, or nothing, for one that it has no more */
    public function having(array $values): self
    {
        $all = array_filter($values + $this->all(), fn (?string $value): bool => $value !== null && $value !== '');
        ksort($all);

        return $this->with(['values' => $all === [] ? null : json_encode($all, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)]);
    }

    /** Whether it would be too much to keep. */
    public function isTooMuch(): bool
    {
        return strlen($this->text('values')) > self::LONGEST || count($this->all()) > self::MOST;
    }

    public function needs(): array
    {
        return array_map(fn (string $field): array => [KindField::class, $field], array_keys($this->all()));
    }

    public static function hasTexts(): bool
    {
        return true;
    }

    /** Of a map those that people write as they like; numbers, days and choices are in other hands. */
    public function textsIn(?TopicMap $map): array
    {
        $texts = [];
        foreach ($this->all() as $id => $value) {
            $field = $map?->row(KindField::type(), $id);
            $isText = $field instanceof KindField ? $field->sort()->isText() : $map === null && ! str_starts_with($value, self::TOPIC) && preg_match('/\p{L}{4}/u', $value) === 1;
            if ($isText) {
                $texts[$id] = [$value, $field instanceof KindField ? $field->text('name') : ''];
            }
        }

        return $texts;
    }

    public function withText(TopicMap $map, string $name, string $text): static
    {
        return $this->having([$name => trim($text) === '' ? null : ValueForm::read(Kinds::field($map, $name), $text, '', $map)]);
    }

    public function among(Closure $isThere): static
    {
        $gone = array_filter($this->all(), fn (string $value): bool => str_starts_with($value, self::TOPIC) && ! $isThere(substr($value, strlen(self::TOPIC))));

        return $gone === [] ? $this : $this->having(array_map(fn (): null => null, $gone));
    }
}
