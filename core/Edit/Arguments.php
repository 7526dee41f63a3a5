<?php

declare(strict_types=1);

namespace ChalkTree\Edit;

use BackedEnum;
use ChalkTree\Map\Bounds;
use ChalkTree\Map\Ids;

/** Reads the arguments of an edit one by one, checks their form, and refuses what nobody asked for. */
final class Arguments
{
    /** @var array<string, true> */
    private array $read = [];

    /** @param  array<mixed>  $values */
    public function __construct(private readonly array $values, private readonly string $within = '')
    {
    }

    public function has(string $key): bool
    {
        return array_key_exists($key, $this->values);
    }

    /** Whether the argument is null, which some mean something by. */
    public function isNull(string $key): bool
    {
        return $this->take($key) === null;
    }

    public function title(string $key = 'title'): string
    {
        $text = Wording::clean($this->string($key), $this->within.$key);
        if (mb_strlen($text) > Bounds::LONGEST_TITLE) {
            throw $this->wrong($key, 'A title holds at most 20,000 characters; longer text belongs in the note.');
        }

        return $text;
    }

    public function caption(string $key = 'caption'): string
    {
        $text = Wording::clean($this->string($key), $this->within.$key);
        if (mb_strlen($text) > Bounds::LONGEST_CAPTION) {
            throw $this->wrong($key, 'A caption holds at most 2,000 characters; longer text belongs in the note.');
        }

        return $text;
    }

    public function note(string $key = 'note'): string
    {
        $text = Wording::clean($this->string($key), $this->within.$key);
        if (strlen($text) > Bounds::LONGEST_NOTE) {
            throw $this->wrong($key, 'A note holds at most 1 MB of text.');
        }

        return $text;
    }

    /** The id of a topic; whether it is in the map is for the edit to say. */
    public function id(string $key): string
    {
        $id = $this->string($key);
        if (! Ids::valid($id)) {
            throw $this->wrong($key, "“{$key}” has to be the id of a topic, 26 letters and digits.");
        }

        return $id;
    }

    public function idOrNull(string $key): ?string
    {
        return $this->take($key) === null ? null : $this->id($key);
    }

    /** @return non-empty-list<string> */
    public function ids(string $key): array
    {
        $values = $this->take($key);
        if (! is_array($values) || ! array_is_list($values) || $values === [] || count($values) > Bounds::MOST_TOPICS) {
            throw $this->wrong($key, "“{$key}” has to be a list of 1 to 20,000 topic ids.");
        }
        $ids = [];
        foreach ($values as $value) {
            if (! is_string($value) || ! Ids::valid($value)) {
                throw $this->wrong($key, "“{$key}” holds something that is not the id of a topic.");
            }
            $ids[$value] = $value;
        }

        return array_values($ids);
    }

    public function string(string $key): string
    {
        $value = $this->take($key);

        return is_string($value) ? $value : throw $this->wrong($key, "“{$key}” has to be text.");
    }

    /** @return list<string> */
    public function strings(string $key, int $most): array
    {
        $values = $this->take($key);
        if (! is_array($values) || ! array_is_list($values) || count($values) > $most || array_filter($values, is_string(...)) !== $values) {
            throw $this->wrong($key, "“{$key}” has to be a list of at most {$most} texts.");
        }

        /** @var list<string> $values */
        return $values;
    }

    /** @return list<mixed> what is in it is for whoever asks to check */
    public function list(string $key, int $most): array
    {
        $values = $this->take($key);

        return is_array($values) && array_is_list($values) && count($values) <= $most ? $values : throw $this->wrong($key, "“{$key}” has to be a list of at most {$most}.");
    }

    public function intOrNull(string $key, int $least, int $most): ?int
    {
        $value = $this->take($key);
        if ($value !== null && (! is_int($value) || $value < $least || $value > $most)) {
            throw $this->wrong($key, "“{$key}” has to be a whole number from {$least} to {$most}, or null.");
        }

        return $value;
    }

    public function int(string $key, int $least, int $most): int
    {
        return $this->intOrNull($key, $least, $most) ?? throw $this->wrong($key, "“{$key}” has to be a whole number from {$least} to {$most}.");
    }

    /** False where it is not given. */
    public function flag(string $key): bool
    {
        return $this->has($key) && $this->bool($key);
    }

    /**
     * One of some words.
     *
     * @template T of string
     *
     * @param  non-empty-list<T>  $words
     * @return T
     */
    public function oneOf(string $key, array $words): string
    {
        $value = $this->take($key);
        foreach ($words as $word) {
            if ($word === $value) {
                return $word;
            }
        }

        throw $this->wrong($key, "“{$key}” has to be one of: ".implode(', ', $words).'.');
    }

    public function bool(string $key): bool
    {
        $value = $this->take($key);

        return is_bool($value) ? $value : throw $this->wrong($key, "“{$key}” has to be true or false.");
    }

    /**
     * @template T of BackedEnum
     *
     * @param  class-string<T>  $enum
     * @return T|null
     */
    public function choiceOrNull(string $key, string $enum): ?BackedEnum
    {
        $value = $this->take($key);
        if ($value === null) {
            return null;
        }

        return is_string($value) && ($case = $enum::tryFrom($value)) !== null
            ? $case
            : throw $this->wrong($key, "“{$key}” has to be one of: ".implode(', ', array_column($enum::cases(), 'value')).'.');
    }

    /** Arguments inside this one. */
    public function nested(string $key): self
    {
        $value = $this->take($key);

        return is_array($value) && ($value === [] || ! array_is_list($value))
            ? new self($value, "{$this->within}{$key}.")
            : throw $this->wrong($key, "“{$key}” has to be an object.");
    }

    /** @return list<self> */
    public function nestedList(string $key): array
    {
        $values = $this->take($key);
        if (! is_array($values) || ! array_is_list($values)) {
            throw $this->wrong($key, "“{$key}” has to be a list.");
        }
        $list = [];
        foreach ($values as $i => $value) {
            $list[] = is_array($value)
                ? new self($value, "{$this->within}{$key}.{$i}.")
                : throw $this->wrong($key, "“{$key}” has to be a list of objects.");
        }

        return $list;
    }

    public function refuseRest(): void
    {
        foreach (array_keys($this->values) as $key) {
            if (! isset($this->read[$key])) {
                throw $this->wrong((string) $key, "Nothing here is called “{$key}”.");
            }
        }
    }

    public function wrong(string $key, string $sentence): InvalidEdit
    {
        return new InvalidEdit($sentence, $this->within.$key);
    }

    private function take(string $key): mixed
    {
        $this->read[$key] = true;

        return $this->values[$key] ?? null;
    }
}
