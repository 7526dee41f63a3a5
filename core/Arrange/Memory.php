<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

/**
 * What a layout found for each slip, so small that it can be kept from one request to the next: the size of its box and
 * of its branch. With it a layout begins as if everything were drawn already, and goes down only where something has
 * changed. It holds for one state of a map and one view; whoever keeps it has to know which.
 */
final class Memory
{
    private const ID = 26;

    private const FORM = 'd6VH8a8';

    private const RECORD = 26 + 6 * 8 + 4 + 4 + 8;

    /** @param  array<string, string>  $records  packed, by topic id */
    private function __construct(private array $records)
    {
    }

    /** @param  iterable<Slip>  $slips  all that are drawn */
    public static function of(iterable $slips): self
    {
        $memory = new self([]);
        $memory->learn($slips, []);

        return $memory;
    }

    /** Null where the text is not one. */
    public static function unpack(string $data): ?self
    {
        if (strlen($data) % self::RECORD !== 0) {
            return null;
        }
        $records = [];
        for ($at = 0, $end = strlen($data); $at < $end; $at += self::RECORD) {
            $records[substr($data, $at, self::ID)] = substr($data, $at + self::ID, self::RECORD - self::ID);
        }

        return new self($records);
    }

    public function pack(): string
    {
        $data = '';
        foreach ($this->records as $id => $record) {
            $data .= $id.$record;
        }

        return $data;
    }

    public function has(string $id): bool
    {
        return isset($this->records[$id]);
    }

    /**
     * Gives a slip the size it had.
     *
     * @return bool|null true if its whole branch is as it was, false if only the size of its box holds, null if nothing is known
     */
    public function recall(Slip $slip): ?bool
    {
        $record = $this->records[$slip->topic->id] ?? null;
        /** @var array{1: float, 2: float, 3: float, 4: float, 5: float, 6: float, hidden: int, look: string, given: string}|false $known */
        $known = $record === null ? false : unpack('d6/Vhidden/H8look/a8given', $record);
        if ($known === false || $known['look'] !== $slip->look->hash) {
            return null;
        }
        [$slip->w, $slip->h] = [$known[1], $known[2]];
        if ($known['given'] !== $slip->given->hash) {
            return false;
        }
        [$slip->left, $slip->top, $slip->right, $slip->bottom, $slip->hidden] = [$known[3], $known[4], $known[5], $known[6], $known['hidden']];

        return true;
    }

    /**
     * @param  iterable<Slip>  $slips
     * @param  list<string>  $gone
     */
    public function learn(iterable $slips, array $gone): void
    {
        foreach ($gone as $id) {
            unset($this->records[$id]);
        }
        foreach ($slips as $slip) {
            $this->records[$slip->topic->id] = pack(
                self::FORM, $slip->w, $slip->h, $slip->left, $slip->top, $slip->right, $slip->bottom, $slip->hidden, $slip->look->hash, $slip->given->hash,
            );
        }
    }
}
