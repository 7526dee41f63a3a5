<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\Ids;

/**
 * The subtopics that topics of a kind begin with, as JSON: a list of {"t": title, "k": id of its kind, "l": level}, the
 * level from 0 and left out where it is that, the kind where it has none.
 *
 * @phpstan-type Part array{t: string, k?: string, l?: int}
 */
final readonly class KindParts
{
    public const MOST = 60;

    /** Bytes. */
    public const LONGEST = 16_000;

    private const DEEPEST = 5;

    /** @param  list<Part>  $all */
    private function __construct(public array $all)
    {
    }

    public static function fit(string $json): bool
    {
        $data = strlen($json) > self::LONGEST ? null : json_decode($json, true, 4);
        if (! is_array($data) || ! array_is_list($data) || $data === [] || count($data) > self::MOST) {
            return false;
        }
        $level = -1;
        foreach ($data as $part) {
            if (! is_array($part) || array_diff_key($part, ['t' => 1, 'k' => 1, 'l' => 1]) !== [] || ! is_string($part['t'] ?? null) || preg_match('/^\P{C}{0,300}$/uD', $part['t']) !== 1) {
                return false;
            }
            $its = $part['l'] ?? 0;
            if (! is_int($its) || $its < 0 || $its > min($level + 1, self::DEEPEST) || (isset($part['k']) && ! (is_string($part['k']) && Ids::valid($part['k'])))) {
                return false;
            }
            $level = $its;
        }

        return true;
    }

    public static function of(string $json): self
    {
        /** @var list<Part> $all */
        $all = $json === '' || ! self::fit($json) ? [] : json_decode($json, true, 4);

        return new self($all);
    }

    /** @return list<string> the ids of the kinds that they have */
    public function kinds(): array
    {
        return array_values(array_unique(array_column($this->all, 'k')));
    }

    /**
     * As drafts, the nested ones within the others.
     *
     * @param  list<string>  $ids  for as many of them as are given, in their order
     * @return array{list<TopicDraft>, list<array{TopicDraft, string}>} those at the top, and all that have a kind, with its id
     */
    public function drafts(array $ids): array
    {
        $tops = $ofKind = $above = [];
        foreach ($this->all as $i => $part) {
            $draft = new TopicDraft($part['t'], id: $ids[$i] ?? Ids::next());
            $level = $part['l'] ?? 0;
            if ($level === 0) {
                $tops[] = $draft;
            } else {
                $above[$level - 1]->children[] = $draft;
            }
            $above[$level] = $draft;
            if (isset($part['k'])) {
                $ofKind[] = [$draft, $part['k']];
            }
        }

        return [$tops, $ofKind];
    }
}
