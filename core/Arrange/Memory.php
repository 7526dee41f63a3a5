<?php

declare(strict_types=1);

namespace ChalkTree\Arrange;

use ChalkTree\Flow\KnownCharts;
use ChalkTree\Route\KnownWays;
use Closure;

/**
 * What a layout found for each slip, so small that it can be kept from one request to the next: the size of its box and
 * of its branch. With it a layout begins as if everything were drawn already, and goes down only where something has
 * changed. It holds for one state of a map and one view; whoever keeps it has to know which.
 */
final class Memory
{
    private const FORM = 'd6VH8a8';

    /** Letters by which records of sums are told from those of before; see beginSums(). */
    private const RUN = 8;

    /** @var array<string, string|null> the records that changed since this was lent, by topic id; null for those that are gone */
    private array $changed = [];

    /**
     * @param  array<string, string|null>  $records  packed, by topic id
     * @param  (Closure(string): ?string)|null  $stored  reads a record that is not among these
     */
    private function __construct(private array $records, private readonly ?Closure $stored = null)
    {
    }

    /**
     * What is kept somewhere, each record read when it is asked for.
     *
     * @param  Closure(string): ?string  $stored
     */
    public static function lent(Closure $stored): self
    {
        return new self([], $stored);
    }

    /** @return array<string, string|null> the records that changed since this was lent, or all if it was not, by topic id; null for those that are gone */
    public function changed(): array
    {
        return $this->changed;
    }

    /** @param  iterable<Slip>  $slips  all that are drawn */
    public static function of(iterable $slips): self
    {
        $memory = new self([]);
        $memory->learn($slips, []);

        return $memory;
    }

    /** Under what the marks are kept; no topic is called so. */
    private const MARKS = '~marks';

    private const WAYS = '~ways';

    private const CHARTS = '~charts';

    /**
     * The marks as they were drawn last; null where that is not known.
     *
     * @return array<string, array<string, mixed>>|null  as SceneMark::toArray() has them, by type and id
     */
    public function marks(): ?array
    {
        $record = $this->record(self::MARKS);

        /** @var array<string, array<string, mixed>>|null $marks */
        $marks = $record === null ? null : unserialize($record, ['allowed_classes' => false]);

        return $marks;
    }

    /** @param  array<string, array<string, mixed>>  $marks */
    public function learnMarks(array $marks): void
    {
        // Most maps have none, and to find that out again costs nothing.
        if ($marks !== [] || $this->record(self::MARKS) !== null) {
            $this->records[self::MARKS] = $this->changed[self::MARKS] = serialize($marks);
        }
    }

    /** What is known of the lines that features draw. */
    public function ways(): KnownWays
    {
        return KnownWays::from($this->record(self::WAYS));
    }

    public function learnWays(KnownWays $ways): void
    {
        $kept = $ways->kept();
        if ($kept !== null || $this->record(self::WAYS) !== null) {
            $this->records[self::WAYS] = $this->changed[self::WAYS] = $kept;
        }
    }

    /** What is known of charts that follow ties. */
    public function charts(): KnownCharts
    {
        return KnownCharts::from($this->record(self::CHARTS));
    }

    public function learnCharts(KnownCharts $charts): void
    {
        $kept = $charts->kept();
        if ($kept !== $this->record(self::CHARTS)) {
            $this->records[self::CHARTS] = $this->changed[self::CHARTS] = $kept;
        }
    }

    private const SUMS = '~sums';

    /** Whether what is remembered of sums is of these measures; see RollUps. */
    public function sumsAre(string $measures): bool
    {
        return substr($this->record(self::SUMS) ?? '', self::RUN) === $measures;
    }

    /** Begins anew with the sums of these measures; what was remembered counts no more. */
    public function beginSums(string $measures): void
    {
        if ($measures !== '' || $this->record(self::SUMS) !== null) {
            $this->records[self::SUMS] = $this->changed[self::SUMS] = bin2hex(random_bytes(self::RUN / 2)).$measures;
        }
    }

    /** What is below a topic, as it was learned; null where that is not known. */
    public function sums(string $topic): ?string
    {
        $record = $this->record("+{$topic}");

        return $record === null || strncmp($record, $this->record(self::SUMS) ?? '', self::RUN) !== 0 ? null : substr($record, self::RUN);
    }

    /** @param  string|null  $sums  null where they are not known any more */
    public function learnSums(string $topic, ?string $sums): void
    {
        if ($sums !== null || $this->record("+{$topic}") !== null) {
            $this->records["+{$topic}"] = $this->changed["+{$topic}"] = $sums === null ? null : substr($this->record(self::SUMS) ?? '', 0, self::RUN).$sums;
        }
    }

    /** What was learned under a name that no topic has; null where nothing was. */
    public function kept(string $name): ?string
    {
        return $this->record($name);
    }

    /** @param  string  $name  one that no topic has */
    public function keep(string $name, string $record): void
    {
        $this->records[$name] = $this->changed[$name] = $record;
    }

    public function has(string $id): bool
    {
        return $this->record($id) !== null;
    }

    private function record(string $id): ?string
    {
        if (! array_key_exists($id, $this->records) && $this->stored !== null) {
            $this->records[$id] = ($this->stored)($id);
        }

        return $this->records[$id] ?? null;
    }

    /**
     * Gives a slip the size it had.
     *
     * @return bool|null true if its whole branch is as it was, false if only the size of its box holds, null if nothing is known
     */
    public function recall(Slip $slip): ?bool
    {
        $record = $this->record($slip->topic->id);
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
            $this->records[$id] = $this->changed[$id] = null;
        }
        foreach ($slips as $slip) {
            $record = pack(self::FORM, $slip->w, $slip->h, $slip->left, $slip->top, $slip->right, $slip->bottom, $slip->hidden, $slip->look->hash, $slip->given->hash);
            // Most of what was gone into is as it was, and need not be written again.
            if ($record !== $this->record($slip->topic->id)) {
                $this->records[$slip->topic->id] = $this->changed[$slip->topic->id] = $record;
            }
        }
    }
}
