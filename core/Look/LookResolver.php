<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Ask\Moment;
use ChalkTree\Features;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\TypeFace;

/**
 * Decides how the topics of one map look, once for each: what the whole-map look has for its level, what is said of the
 * map, of the level, of its kind, by a look with a name, of the topic itself, and by rules. Topics that look alike share
 * one look.
 *
 * @phpstan-type Said array<string, scalar>
 */
final class LookResolver
{
    /** The names of what rows of looks hold besides values of a look. */
    private const BESIDE = ['named' => 1, 'chalk' => 1, 'chalks' => 1, 'mirrored' => 1, 'whole' => 1, 'level' => 1, 'name' => 1];

    /** @var array<string, TopicLook> by topic */
    private array $own = [];

    /** @var array<string, NamedLook> by id */
    private array $named = [];

    /** @var list<LookSource> in the order in which they hold */
    private array $sources = [];

    /** @var array<string, Said> what is said of topics beyond their level, as far as it was asked; only where there are sources */
    private array $known = [];

    /** @var Said */
    private array $ofMap = [];

    /** @var array<int, Said> by level */
    private array $ofLevels = [];

    private Looks $whole;

    private Palette $palette;

    /** @var array<int, Look> by level */
    private array $levels = [];

    /** @var array<string, Look> by level and what is said */
    private array $resolved = [];

    /** All that is said of the map as a whole, to compare; null before anything was read. */
    private ?string $ofWhole = null;

    private string $chalks = 'branch';

    private ?string $chalk = null;

    private bool $isMirrored = false;

    /** @param  TypeFace|null  $face  in which everything is set for the person who looks, whatever was said */
    public function __construct(private readonly Looks $looks, private readonly ?TypeFace $face = null)
    {
        $this->whole = $looks;
        $this->palette = new Palette;
    }

    /**
     * From now on for this map, as it is now.
     *
     * @param  Moment|null  $now  about which the looks ask that follow from what is said; by default the map on this day
     * @return bool whether what is said of the map as a whole is what it was
     */
    public function read(TopicMap $map, ?Moment $now = null): bool
    {
        $now ??= new Moment($map);
        $before = $this->ofWhole;
        $this->own = $map->rowsOf(TopicLook::class);
        $this->named = $map->rowsOf(NamedLook::class);
        $this->palette = Palette::of($map);
        $this->readLevels($map);
        $this->sources = $this->known = [];
        foreach (Features::all() as $feature) {
            if ($feature instanceof SaysLooks) {
                array_push($this->sources, ...$feature->looks($now));
            }
        }
        usort($this->sources, fn (LookSource $a, LookSource $b): int => $a->place()->value <=> $b->place()->value);

        return $before === null || $before === $this->ofWhole;
    }

    /** Whether a topic may look otherwise than others of its level. */
    public function hasOwn(string $topic): bool
    {
        return isset($this->own[$topic]) || ($this->sources !== [] && $this->saidOf($topic) !== []);
    }

    /** Levels beyond the last look are drawn as it says, so a slip tells the level of its look. */
    public function clamp(int $level): int
    {
        return $this->whole->clamp($level);
    }

    /** How all topics of a level look of which nothing else is said. */
    public function ofLevel(int $level): Look
    {
        $level = $this->clamp($level);

        return $this->levels[$level] ??= $this->build($level, []);
    }

    public function of(string $topic, int $level): Look
    {
        $level = $this->clamp($level);
        if ($this->sources === [] && isset($this->own[$topic])) {
            // Called for every such topic, so what is said is only looked into where it is not known yet.
            return $this->resolved[$level.' '.implode(' ', $this->own[$topic]->fields())] ??= $this->build($level, $this->saidOf($topic));
        }
        $said = $this->hasOwn($topic) ? $this->saidOf($topic) : [];
        if ($said === []) {
            return $this->ofLevel($level);
        }

        return $this->resolved[$level.' '.serialize($said)] ??= $this->build($level, $said);
    }

    /** The chalk that a topic begins for its branch; null where it takes that of what is above it. */
    public function chalkOf(string $topic): ?string
    {
        $name = isset($this->own[$topic]) ? $this->own[$topic]->text('chalk') : '';

        return $name !== '' && $this->palette->has($name) ? $name : null;
    }

    /** How topics come by their chalks: one of MapLook::CHALKS. */
    public function chalks(): string
    {
        return $this->chalks;
    }

    /** Whether the map runs from right to left. */
    public function isMirrored(): bool
    {
        return $this->isMirrored;
    }

    /** The chalk of all, where all have one. */
    public function chalkForAll(): string
    {
        return $this->chalk !== null && $this->palette->has($this->chalk) ? $this->chalk : Chalk::Tide->value;
    }

    /**
     * Where each value comes from that is said of a topic, what is said last.
     *
     * @return array<string, array{value: scalar, place: LookPlace, row: string|null, words: string}> by the names in LookFields; the row that says it, and what that is, where its place does not say enough
     */
    public function why(string $topic, int $level): array
    {
        $why = [];
        foreach ($this->layers($topic, $this->clamp($level)) as [$place, $said, $row, $words]) {
            foreach ($said as $name => $value) {
                $why[$name] = ['value' => $value, 'place' => $place, 'row' => $row, 'words' => $words];
            }
        }

        return $why;
    }

    private function readLevels(TopicMap $map): void
    {
        [$mapLooks, $levelLooks] = [$map->rowsOf(MapLook::class), $map->rowsOf(LevelLook::class)];
        ksort($mapLooks);
        ksort($levelLooks);
        $whole = null;
        [$this->ofMap, $this->ofLevels, $this->levels, $this->resolved] = [[], [], [], []];
        [$this->chalks, $this->chalk, $this->isMirrored] = ['branch', null, false];
        foreach ($mapLooks as $row) {
            $this->ofMap = self::said($row) + $this->ofMap;
            $whole = $row->text('whole') === '' ? $whole : $row->text('whole');
            $this->chalks = $row->text('chalks') === '' ? $this->chalks : $row->text('chalks');
            $this->chalk = $row->text('chalk') === '' ? $this->chalk : $row->text('chalk');
            $this->isMirrored = $this->isMirrored || $row->flag('mirrored');
        }
        foreach ($levelLooks as $row) {
            $level = $row->number('level') ?? 0;
            $this->ofLevels[$level] = self::said($row) + ($this->ofLevels[$level] ?? []);
        }
        $this->whole = $whole === null ? $this->looks : Looks::called($whole);
        $this->ofWhole = serialize([$whole, $this->palette->names(), $this->isMirrored, $this->chalks, $this->chalk, $this->ofMap, $this->ofLevels, array_map(fn (NamedLook $look): array => self::said($look), $this->named)]);
    }

    /**
     * What is said of a topic beyond its level.
     *
     * @return Said
     */
    private function saidOf(string $topic): array
    {
        $own = $this->own[$topic] ?? null;
        if ($this->sources === []) {
            return $own === null ? [] : self::said($own) + $this->saidByName($own);
        }

        return $this->known[$topic] ??= $this->saidByAll($topic, $own);
    }

    /**
     * Asked for every topic of a map with kinds or rules, so without making a list of what is said where, as beyond() does.
     *
     * @return Said
     */
    private function saidByAll(string $topic, ?TopicLook $own): array
    {
        $byHand = $own === null ? [] : self::said($own);
        $said = [];
        $isByHand = $own === null;
        foreach ($this->sources as $source) {
            if (! $isByHand && $source->place()->value > LookPlace::Topic->value) {
                $said = $byHand + $this->saidByName($own) + $said;
                $isByHand = true;
            }
            $its = $source->said($topic);
            if ($its !== []) {
                $said = ($source->yields() ? array_diff_key($its, $byHand) : $its) + $said;
            }
        }

        return $isByHand ? $said : $byHand + $this->saidByName($own) + $said;
    }

    /**
     * @return iterable<array{LookPlace, Said, string|null, string}> what is said last, last
     */
    private function layers(string $topic, int $level): iterable
    {
        yield [LookPlace::Map, $this->ofMap, null, ''];
        yield [LookPlace::Level, $this->ofLevels[$level] ?? [], null, ''];
        yield from $this->beyond($topic);
    }

    /** @return iterable<array{LookPlace, Said, string|null, string}> */
    private function beyond(string $topic): iterable
    {
        $own = $this->own[$topic] ?? null;
        $byHand = $own === null ? [] : self::said($own);
        $waiting = [
            [LookPlace::Named->value, LookPlace::Named, $own === null ? [] : $this->saidByName($own), $own?->text('named'), ''],
            [LookPlace::Topic->value, LookPlace::Topic, $byHand, $topic, ''],
        ];
        foreach ($this->sources as $source) {
            $said = $source->said($topic);
            $waiting[] = [$source->place()->value, $source->place(), $source->yields() ? array_diff_key($said, $byHand) : $said, null, $said === [] ? '' : $source->words($topic)];
        }
        usort($waiting, fn (array $a, array $b): int => $a[0] <=> $b[0]);
        foreach ($waiting as [, $place, $said, $row, $words]) {
            yield [$place, $said, $row, $words];
        }
    }

    /** @return Said */
    private function saidByName(TopicLook $own): array
    {
        $named = $this->named[$own->text('named')] ?? null;

        return $named === null ? [] : self::said($named);
    }

    /** @return Said the values of a look that a row says */
    private static function said(TopicLook|NamedLook|LevelLook|MapLook $row): array
    {
        return array_filter(array_diff_key($row->saying(), self::BESIDE), is_scalar(...));
    }

    /** @param  Said  $said */
    private function build(int $level, array $said): Look
    {
        $said += ($this->ofLevels[$level] ?? []) + $this->ofMap;
        if ($this->face !== null) {
            $said['face'] = $this->face->value;
        }

        return LookBuilder::build($this->whole->level($level), $said);
    }
}
