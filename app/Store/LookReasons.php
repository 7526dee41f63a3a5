<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use ChalkTree\Look\LookFields;
use ChalkTree\Look\LookPlace;
use ChalkTree\Look\LookResolver;
use ChalkTree\Look\Looks;
use ChalkTree\Look\MapLook;
use ChalkTree\Look\NamedLook;
use ChalkTree\Map\TopicMap;

/** Tells why a topic looks as it does: each value, and where it is said. */
final readonly class LookReasons
{
    public function __construct(private MapStore $store)
    {
    }

    /** @return array{level: int, reasons: list<array{field: string, called: string, value: string|int|null, place: string, words: string, row: string|null}>} "LookReasonsAnswer" in the wire schema */
    public function of(MapRecord $record, string $topic): array
    {
        $map = $this->store->load($record);
        $level = $this->level($map, $topic);
        $resolver = new LookResolver(Looks::standard());
        $resolver->read($map);
        $why = $resolver->why($topic, $level);
        $reasons = [];
        foreach (LookFields::all() as $name => $field) {
            $said = $why[$name] ?? null;
            $place = $said['place'] ?? LookPlace::Whole;
            $reasons[] = [
                'field' => $name,
                'called' => $field->called ?? $name,
                'value' => isset($said) && is_scalar($said['value']) ? (is_int($said['value']) ? $said['value'] : (string) $said['value']) : null,
                'place' => strtolower($place->name),
                'words' => $this->words($map, $place, $said['row'] ?? null, $level),
                'row' => $said['row'] ?? null,
            ];
        }

        return ['level' => $level, 'reasons' => $reasons];
    }

    private function level(TopicMap $map, string $topic): int
    {
        $map->topic($topic);

        return min(Looks::DEEPEST, count($map->ancestors($topic)) + ($map->ancestors($topic) === [] && $topic !== $map->sheet()->root ? 1 : 0));
    }

    private function words(TopicMap $map, LookPlace $place, ?string $row, int $level): string
    {
        return match ($place) {
            LookPlace::Whole => 'the look “'.$this->whole($map).'”',
            LookPlace::Level => $level === 0 ? 'the root' : 'level '.$level.($level === Looks::DEEPEST ? ' and deeper' : ''),
            LookPlace::Named => 'the look “'.(($map->rowsOf(NamedLook::class)[$row ?? ''] ?? null)?->text('name') ?? '').'”',
            default => $place->words(),
        };
    }

    private function whole(TopicMap $map): string
    {
        $name = Looks::names()[0];
        foreach ($map->rowsOf(MapLook::class) as $look) {
            $name = $look->text('whole') === '' ? $name : $look->text('whole');
        }

        return ucfirst(str_replace('-', ' ', $name));
    }
}
