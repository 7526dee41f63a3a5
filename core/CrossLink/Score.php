<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Map\TopicMap;

/**
 * The score of a concept map by the published method (Novak and Gowin, Learning How to Learn, 1984), and how it came
 * about. A proposition counts as valid unless the teacher marked it doubtful or wrong. The hierarchy is that of the tree
 * where its connectors carry phrases; what these do not reach, and maps without, are counted along all propositions, from the
 * topics that none leads to, by the shortest way. A cross-link, in the sense of the method, is a valid proposition that ties
 * two branches of that hierarchy and is no line of it; where the teacher marked some as telling, only these count.
 */
final readonly class Score
{
    /** Phrases that give an example. */
    private const EXAMPLE = '/\b(?:for example|for instance|such as|(?:is |as )?(?:an )?example of|e\.\s?g\.)/iu';

    private function __construct(public int $propositions, public int $valid, public int $levels, public int $crossLinks, public int $examples, public ScoreWeights $weights)
    {
    }

    public static function of(TopicMap $map): self
    {
        $said = $valid = $examples = [];
        foreach (Sentences::of($map)->all as $one) {
            if ($one->isMissingPhrase() || $one->first === '' || $one->last === '' || isset($said[$one->sameness()])) {
                continue;
            }
            $said[$one->sameness()] = true;
            if ($one->proposition->judged === 'doubtful' || $one->proposition->judged === 'wrong') {
                continue;
            }
            if (preg_match(self::EXAMPLE, $one->phrase) === 1) {
                $examples[] = $one->proposition;
            } else {
                $valid[] = $one->proposition;
            }
        }
        [$levels, $branches] = self::hierarchy([...$valid, ...$examples]);
        $cross = array_filter($valid, fn (Proposition $one): bool => ! $one->isOfTree() && $levels[$one->from] > 0 && $branches[$one->from] !== $branches[$one->to]);
        $telling = array_filter($cross, fn (Proposition $one): bool => $one->isTelling);

        return new self(count($said), count($valid), $levels === [] ? 0 : max($levels), count($telling === [] ? $cross : $telling), count($examples), ScoreWeights::of($map));
    }

    /**
     * On which level of the hierarchy that propositions make each topic is, from 0 at the top, and to which branch it
     * belongs: the second topic on the way to it, or itself at the top.
     *
     * @param  list<Proposition>  $propositions  in reading order
     * @return array{array<string, int>, array<string, string>}
     */
    private static function hierarchy(array $propositions): array
    {
        $tree = array_values(array_filter($propositions, fn (Proposition $one): bool => $one->isOfTree()));
        $levels = $branches = [];
        foreach ($tree === [] ? [$propositions] : [$tree, $propositions] as $lines) {
            self::addTo($lines, $levels, $branches);
        }

        return [$levels, $branches];
    }

    /**
     * @param  list<Proposition>  $propositions
     * @param  array<string, int>  $levels
     * @param  array<string, string>  $branches
     */
    private static function addTo(array $propositions, array &$levels, array &$branches): void
    {
        $below = $isLedTo = $topics = [];
        foreach ($propositions as $one) {
            $below[$one->from][] = $one->to;
            $isLedTo[$one->to] = true;
            $topics[$one->from] = $topics[$one->to] = true;
        }
        $known = array_map(strval(...), array_keys($levels));
        usort($known, fn (string $a, string $b): int => $levels[$a] <=> $levels[$b]);
        $tops = array_map(strval(...), array_keys(array_diff_key($topics, $isLedTo)));
        // What goes round in a circle begins with what is read first.
        foreach ([$tops, ...array_map(fn (string|int $topic): array => [(string) $topic], array_keys($topics))] as $n => $begin) {
            $queue = $n === 0 ? $known : [];
            foreach ($begin as $topic) {
                if (! isset($levels[$topic])) {
                    [$levels[$topic], $branches[$topic], $queue[]] = [0, $topic, $topic];
                }
            }
            while (($topic = array_shift($queue)) !== null) {
                foreach ($below[$topic] ?? [] as $next) {
                    if (! isset($levels[$next])) {
                        $levels[$next] = $levels[$topic] + 1;
                        $branches[$next] = $levels[$topic] === 0 ? $next : $branches[$topic];
                        $queue[] = $next;
                    }
                }
            }
        }
    }

    public function total(): int
    {
        return $this->valid * ($this->weights->number('valid') ?? 0) + $this->levels * ($this->weights->number('level') ?? 0)
            + $this->crossLinks * ($this->weights->number('cross') ?? 0) + $this->examples * ($this->weights->number('example') ?? 0);
    }

    /** @return array{propositions: int, valid: int, levels: int, crossLinks: int, examples: int, score: int} */
    public function toArray(): array
    {
        return ['propositions' => $this->propositions, 'valid' => $this->valid, 'levels' => $this->levels, 'crossLinks' => $this->crossLinks, 'examples' => $this->examples, 'score' => $this->total()];
    }
}
