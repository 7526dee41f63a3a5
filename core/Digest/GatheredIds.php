<?php

declare(strict_types=1);

namespace ChalkTree\Digest;

use ChalkTree\Arrange\Memory;

/** The topics that a digest gathers, so kept that one of many thousand comes or goes at the cost of a few. */
final class GatheredIds
{
    private const SPACE = ' ';

    /** With what ids end. */
    private const LETTERS = '0123456789abcdefghjkmnpqrstvwxyz';

    /**
     * @param  array<array-key, string>  $parts  those that are known, a space after each topic, by its last letter
     * @param  array<array-key, true>  $changed  parts that are otherwise than they were kept
     */
    private function __construct(private int $count, private array $parts, private array $changed, private readonly ?Memory $memory, private readonly string $name)
    {
    }

    /** @param  list<string>  $ids */
    public static function of(array $ids): self
    {
        $its = new self(0, [], [], null, '');
        foreach ($ids as $id) {
            $its->put($id, true);
        }

        return $its;
    }

    /** As they were kept under a name. */
    public static function recalled(Memory $memory, string $name, int $count): self
    {
        return new self($count, [], [], $memory, $name);
    }

    public function count(): int
    {
        return $this->count;
    }

    public function has(string $id): bool
    {
        return str_contains($this->part($id), $id.self::SPACE);
    }

    /** @param  bool  $is  whether it is among them from now on */
    public function put(string $id, bool $is): void
    {
        if ($this->has($id) !== $is) {
            $part = $this->part($id);
            $this->parts[$id[-1]] = $is ? $part.$id.self::SPACE : str_replace($id.self::SPACE, '', $part);
            $this->changed[$id[-1]] = true;
            $this->count += $is ? 1 : -1;
        }
    }

    public function keep(Memory $memory, string $name): void
    {
        $isAnew = $memory !== $this->memory || $name !== $this->name;
        foreach (str_split(self::LETTERS) as $letter) {
            if (isset($this->changed[$letter]) || ($isAnew && $memory->kept($name.$letter) !== null)) {
                $memory->keep($name.$letter, $this->parts[$letter] ?? '');
            }
        }
    }

    private function part(string $id): string
    {
        return $this->parts[$id[-1]] ??= $this->memory?->kept($this->name.$id[-1]) ?? '';
    }
}
