<?php

declare(strict_types=1);

namespace ChalkTree\Story;

use ChalkTree\Ask\People;
use ChalkTree\Kind\Kinds;
use ChalkTree\Kind\ShippedKinds;
use ChalkTree\Map\ReadingOrder;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\InlineMarkdown;
use ChalkTree\Text\Sameness;

/**
 * All in a map who have sheets, and what they are called. A title is cut where it goes on to explain ("Ida Marsh, keeper
 * of the lamps"); a place is known without its article; of a character each part of the name counts alone, where it is
 * nobody else's.
 */
final readonly class Cast
{
    public const KINDS = ['character', 'place', 'object', 'source'];

    /** Words that are no name by themselves. */
    private const TITLES = ['the', 'old', 'young', 'little', 'mr', 'mrs', 'ms', 'miss', 'dr', 'sir', 'lady', 'lord', 'captain', 'doctor', 'professor', 'aunt', 'uncle', 'father', 'mother', 'brother', 'sister', 'grandfather', 'grandmother', 'saint', 'st', 'san', 'herr', 'frau', 'madame', 'monsieur', 'don', 'of', 'von', 'van', 'de', 'du', 'der', 'den', 'la', 'le', 'da', 'and'];

    private const ARTICLES = '/^(?:the|an?|der|die|das|le|la|les|el|il|lo)\s+(?=\S)/iu';

    /** Letters of a part of a name. */
    private const SHORTEST = 3;

    /** @param  list<CastMember>  $members  in the order in which they are read */
    private function __construct(public array $members)
    {
    }

    public static function of(TopicMap $map): self
    {
        $kinds = [];
        foreach (self::KINDS as $word) {
            foreach (Kinds::ofKind($map, ShippedKinds::kindId($word)) as $topic) {
                $kinds[$topic] = $word;
            }
        }
        $called = ShippedKinds::fieldId('also-called');
        $found = $parts = [];
        $topics = array_map(strval(...), array_keys($kinds));
        usort($topics, (new ReadingOrder($map))->compare(...));
        foreach ($topics as $topic) {
            $title = InlineMarkdown::oneLine($map->topic($topic)->title);
            $found[$topic] = [$title, [...self::named($title, $kinds[$topic]), ...People::all(Kinds::values($map, $topic)[$called] ?? '')]];
            foreach ($kinds[$topic] === 'character' ? self::parts($found[$topic][1][0] ?? '') : [] as $part) {
                $parts[Sameness::key($part)][$topic] = true;
            }
        }
        $members = [];
        foreach ($found as $topic => [$title, $names]) {
            $own = $kinds[$topic] === 'character' ? array_filter(self::parts($names[0] ?? ''), fn (string $part): bool => count($parts[Sameness::key($part)] ?? []) === 1) : [];
            $members[] = new CastMember((string) $topic, $kinds[$topic], $title, array_values(array_unique([...$names, ...$own])));
        }

        return new self($members);
    }

    /** @return list<string> what a title says that it is called; none where it says nothing */
    private static function named(string $title, string $kind): array
    {
        $name = trim((string) preg_replace('/\s*[,;:(\[–—].*$/us', '', $title), " \t\"'“”„‘’«»…");
        if (preg_match('/\p{L}/u', $name) !== 1) {
            return [];
        }
        $bare = $kind === 'character' ? $name : (string) preg_replace(self::ARTICLES, '', $name);

        return array_values(array_unique([$name, $bare]));
    }

    /** @return list<string> the parts of a name of several words that are names alone */
    private static function parts(string $name): array
    {
        $words = preg_split('/\s+/u', $name) ?: [];

        return count($words) < 2 ? [] : array_values(array_filter($words, fn (string $word): bool => mb_strlen($word) >= self::SHORTEST
            && preg_match('/^\p{Lu}/u', $word) === 1 && ! in_array(mb_strtolower(rtrim($word, '.')), self::TITLES, true)));
    }

    /** @return array<string, CastMember> by their topics */
    public function byTopic(): array
    {
        return array_column($this->members, null, 'topic');
    }

    /** @return list<CastMember> */
    public function ofKind(string $kind): array
    {
        return array_values(array_filter($this->members, fn (CastMember $member): bool => $member->kind === $kind));
    }

    /**
     * Who is meant by a name in a field, whatever its case.
     *
     * @return array<string, CastMember> by the keys of names; a name that several have is nobody's
     */
    public function byName(string $kind): array
    {
        $by = [];
        foreach ($this->ofKind($kind) as $member) {
            foreach (array_unique(array_map(Sameness::key(...), [$member->title, ...$member->names])) as $key) {
                $by[$key] = isset($by[$key]) ? null : $member;
            }
        }

        return array_filter($by);
    }
}
