<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\MapRecord;
use ChalkTree\Arrange\Chalks;
use ChalkTree\Ask\Moment;
use ChalkTree\Edit\Wording;
use ChalkTree\Look\LookBuilder;
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

    /** @return array{level: int, chalk: array{name: string, words: string, topic: string|null}, reasons: list<array{field: string, called: string, value: string|int|null, place: string, words: string, row: string|null}>, rules: list<array{id: string, name: string, gives: string}>} "LookReasonsAnswer" in the wire schema */
    public function of(MapRecord $record, string $topic, string $today): array
    {
        $map = $this->store->load($record);
        $level = $this->level($map, $topic);
        $resolver = new LookResolver(Looks::standard());
        $resolver->read($map, $now = new Moment($map, $today));
        $why = $resolver->why($topic, $level);
        $values = LookBuilder::values($resolver->of($topic, $level));
        $reasons = [];
        foreach (LookFields::all() as $name => $field) {
            $said = $why[$name] ?? null;
            $place = $said['place'] ?? LookPlace::Whole;
            $value = $said['value'] ?? $values[$name];
            $reasons[] = [
                'field' => $name,
                'called' => $field->called ?? $name,
                'value' => is_int($value) || $value === null ? $value : (string) $value,
                'place' => strtolower($place->name),
                'words' => ($said['words'] ?? '') !== '' ? $said['words'] : $this->words($map, $place, $said['row'] ?? null, $level),
                'row' => $said['row'] ?? null,
            ];
        }

        return ['level' => $level, 'chalk' => $this->chalk($map, $resolver, $topic), 'reasons' => $reasons, 'rules' => Facts::rulesOn($now, $topic)];
    }

    /** @return array{name: string, words: string, topic: string|null} which chalk it has, from where, and the topic whose branch began it */
    private function chalk(TopicMap $map, LookResolver $resolver, string $topic): array
    {
        $name = (new Chalks($map, $resolver))->onTop($topic);
        foreach ([$map->topic($topic), ...$map->ancestors($topic)] as $above) {
            if ($resolver->chalkOf($above->id) !== null) {
                return ['name' => $name, 'words' => $above->id === $topic ? 'the topic itself, for its branch' : 'the branch '.Wording::excerpt($above->title), 'topic' => $above->id];
            }
        }

        return ['name' => $name, 'words' => match ($resolver->chalks()) {
            'level' => 'its level, as the map gives out chalks',
            'one' => 'one for all, as the map gives out chalks',
            default => 'its first-level branch, as the map gives out chalks',
        }, 'topic' => null];
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
