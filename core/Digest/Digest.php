<?php

declare(strict_types=1);

namespace ChalkTree\Digest;

use ChalkTree\Ask\AsksOfTopics;
use ChalkTree\Ask\KeepsCondition;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\Field;
use Closure;

/** That a topic stands for a list of others: which are gathered, from where, in which order, and what is told of each. */
final readonly class Digest extends FeatureRow implements AsksOfTopics
{
    use KeepsCondition {
        among as private askingAmong;
    }

    /** From where topics are gathered: all that is below what the digest hangs on, the map, all maps of the person. */
    public const FROM = ['branch', 'map', 'maps'];

    /** What is told of each line. */
    public const MOST_TOLD = 8;

    /** Letters of the lines of a frozen one. */
    private const LONGEST = 600_000;

    public static function type(): string
    {
        return 'digest';
    }

    public static function words(): string
    {
        return 'digest';
    }

    /**
     * "when": a condition as JSON; a digest without one gathers nothing. "by" and "order": the key of a column (Column).
     * "tells": keys of columns with spaces between. "frozen": the day as of which it is; then "lines" are its groups as
     * Gathering tells them.
     */
    public static function declared(): array
    {
        $key = fn (string $key): bool => preg_match('/^[a-z]{1,20}(:[0-9a-z]{26})?$/D', $key) === 1;

        return [
            'when' => self::whenField()->called('condition of a digest'),
            'from' => Field::choice(self::FROM)->called('where a digest gathers'),
            'by' => Field::formed($key, 60, 'be the key of a column')->called('grouping of a digest'),
            'order' => Field::formed($key, 60, 'be the key of a column')->called('order of a digest'),
            'tells' => Field::formed(fn (string $keys): bool => count(explode(' ', $keys)) <= self::MOST_TOLD && array_filter(explode(' ', $keys), $key) === explode(' ', $keys), 60 * self::MOST_TOLD, 'be keys of at most '.self::MOST_TOLD.' columns with spaces between')->called('what a digest tells'),
            'frozen' => Field::day()->called('day as of which a digest is'),
            'lines' => Field::formed(fn (string $json): bool => DigestGroup::read($json) !== null, self::LONGEST, 'be groups of lines as a digest has them')->called('lines of a digest'),
        ];
    }

    /** Lines of topics that are not there are not told. */
    public function among(Closure $isThere): static
    {
        $asking = $this->askingAmong($isThere);
        $groups = $this->text('lines') === '' ? null : DigestGroup::read($this->text('lines'));

        return $groups === null ? $asking : $asking->with(['lines' => DigestGroup::write(DigestGroup::among($groups, $isThere))]);
    }

    public function from(): string
    {
        return $this->text('from') === '' ? 'map' : $this->text('from');
    }

    /** @return list<string> keys of columns */
    public function tells(): array
    {
        return $this->text('tells') === '' ? [] : explode(' ', $this->text('tells'));
    }
}
