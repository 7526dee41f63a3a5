<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

use ChalkTree\Ask\CellTyping;
use ChalkTree\Ask\Column;
use ChalkTree\Ask\Moment;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\SetRows;
use ChalkTree\Map\Ids;

/** Tags and stamps of topics beside each other. */
final class SignColumns
{
    /** @return iterable<Column> */
    public static function of(Moment $now): iterable
    {
        $tags = fn (string $id): array => array_values(array_filter(array_map(fn (string $tag): string => self::tag($now, $tag)?->text('name') ?? '', $now->row(TopicTags::class, $id)?->tags() ?? [])));
        $names = array_values(array_map(fn (Tag $tag): string => $tag->text('name'), $now->map->rowsOf(Tag::class)));
        yield new Column('tags', 'Tags', $tags, typing: new CellTyping('people', fn (string $id): string => implode(', ', $tags($id)), fn (string $id, string $typed): array => self::tagged($now, $id, self::listed($typed)), $names));
        $stamps = fn (string $id): array => array_map(Sign::words(...), $now->row(TopicStamps::class, $id)?->signs() ?? []);
        yield new Column('stamps', 'Stamps', $stamps, typing: new CellTyping('choices', fn (string $id): string => implode(', ', $stamps($id)), fn (string $id, string $typed): array => self::stamped($id, self::listed($typed)), array_map(fn (Stamp $stamp): string => $stamp->words(), Stamp::cases())));
    }

    private static function tag(Moment $now, string $id): ?Tag
    {
        $tag = $now->map->row(Tag::type(), $id);

        return $tag instanceof Tag ? $tag : null;
    }

    /** @return list<string> */
    private static function listed(string $typed): array
    {
        return array_values(array_unique(array_filter(array_map(trim(...), preg_split('/[,;\n]/u', $typed) ?: []), fn (string $word): bool => $word !== '')));
    }

    /**
     * Tags that are not there yet are made.
     *
     * @param  list<string>  $names
     * @return list<array<string, mixed>>
     */
    private static function tagged(Moment $now, string $topic, array $names): array
    {
        $known = [];
        foreach ($now->map->rowsOf(Tag::class) as $tag) {
            $known[$tag->sameness()] ??= $tag->id;
        }
        $edits = $ids = [];
        foreach ($names as $name) {
            $same = mb_strtolower($name);
            if (! isset($known[$same])) {
                $known[$same] = Ids::next();
                $edits[] = ['name' => SetRows::name(), 'type' => Tag::type(), 'row' => $known[$same], 'fields' => ['name' => $name]];
            }
            $ids[$known[$same]] = $known[$same];
        }
        if (count($ids) > TopicTags::MOST) {
            throw new InvalidEdit('A topic has at most '.TopicTags::MOST.' tags.', 'text');
        }

        return [...$edits, ['name' => SetRows::name(), 'type' => TopicTags::type(), 'topics' => [$topic], 'fields' => ['tags' => $ids === [] ? null : implode(' ', $ids)]]];
    }

    /**
     * @param  list<string>  $words
     * @return list<array<string, mixed>>
     */
    private static function stamped(string $topic, array $words): array
    {
        /** @var array<string, int|string|bool|null> $fields */
        $fields = array_fill_keys(array_column(Stamp::cases(), 'value'), false) + ['rank' => null, 'letter' => null];
        foreach ($words as $word) {
            $field = self::stampOf(mb_strtolower($word)) ?? throw new InvalidEdit("There is no stamp called “{$word}”. Stamps are: ".implode(', ', array_map(fn (Stamp $stamp): string => $stamp->words(), Stamp::cases())).', 1 to 9, or one letter.', 'text');
            $fields[$field[0]] = $field[1];
        }

        return [['name' => SetRows::name(), 'type' => TopicStamps::type(), 'topics' => [$topic], 'fields' => $fields]];
    }

    /** @return array{string, int|string|bool}|null  a field of TopicStamps, and what it is */
    private static function stampOf(string $word): ?array
    {
        foreach (Sign::stamps() as $sign) {
            if (Sign::words($sign) === $word || Sign::value($sign) === $word) {
                $value = Sign::value($sign);
                if (Stamp::tryFrom($value) !== null || ctype_digit($value)) {
                    return ctype_digit($value) ? ['rank', (int) $value] : [$value, true];
                }
            }
        }

        return preg_match('/^(?:the letter )?(\p{L})$/uD', $word, $m) === 1 ? ['letter', mb_strtoupper($m[1])] : null;
    }
}
