<?php

declare(strict_types=1);

namespace ChalkTree\CrossLink;

use ChalkTree\Map\TopicMap;

/**
 * The score of a concept map by the published method (Novak and Gowin, Learning How to Learn, 1984), and how it came
 * about. A proposition counts as valid unless the teacher marked it doubtful or wrong. Levels are counted from the topics
 * that no proposition leads to, along the shortest way. A cross-link, in the sense of the method, is a valid proposition
 * that ties two branches of that hierarchy; where the teacher marked some as telling, only these count.
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
            $link = $map->row(CrossLink::type(), $one->link);
            if (! $link instanceof CrossLink || $link->text('judged') === 'doubtful' || $link->text('judged') === 'wrong') {
                continue;
            }
            if (preg_match(self::EXAMPLE, $one->phrase) === 1) {
                $examples[] = $link;
            } else {
                $valid[] = $link;
            }
        }
        [$levels, $branches] = self::hierarchy([...$valid, ...$examples]);
        $cross = array_filter($valid, fn (CrossLink $link): bool => $levels[$link->from()] > 0 && $branches[$link->from()] !== $branches[$link->to()]);
        $telling = array_filter($cross, fn (CrossLink $link): bool => $link->flag('telling'));

        return new self(count($said), count($valid), $levels === [] ? 0 : max($levels), count($telling === [] ? $cross : $telling), count($examples), ScoreWeights::of($map));
    }

    /**
     * On which level of the hierarchy that propositions make each topic is, from 0 at the top, and to which branch it
     * belongs: the second topic on the way to it, or itself at the top.
     *
     * @param  list<CrossLink>  $links  in reading order
     * @return array{array<string, int>, array<string, string>}
     */
    private static function hierarchy(array $links): array
    {
        $below = $isLedTo = $topics = [];
        foreach ($links as $link) {
            $below[$link->from()][] = $link->to();
            $isLedTo[$link->to()] = true;
            $topics[$link->from()] = $topics[$link->to()] = true;
        }
        $levels = $branches = [];
        $tops = array_map(strval(...), array_keys(array_diff_key($topics, $isLedTo)));
        // What goes round in a circle begins with what is read first.
        foreach ([$tops, ...array_map(fn (string|int $topic): array => [(string) $topic], array_keys($topics))] as $begin) {
            $queue = [];
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

        return [$levels, $branches];
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
