<?php

declare(strict_types=1);

namespace App\Find;

use App\Models\MapRecord;
use App\Models\TopicRecord;
use App\Models\Word;
use App\Models\WordGram;
use App\Models\WordUse;
use App\Store\MapStore;
use ChalkTree\Features;
use ChalkTree\Text\InlineMarkdown;
use Illuminate\Support\Collection;
use stdClass;

/**
 * The words of all topics' titles and captions and of what features keep of them, for finding topics as one types.
 * Plain tables, so that every database has it alike; there are a hundred thousand of its rows, so none becomes a model.
 */
final readonly class WordIndex implements Index
{
    private const CHUNK = 300;

    public function __construct(private MapStore $store)
    {
    }

    public function take(MapRecord $map, ?array $topics): void
    {
        $uses = WordUse::query()->toBase()->where('map_id', $map->id);
        $there = TopicRecord::query()->toBase()->where('map_id', $map->id)->whereNull('removed');
        $left = [];
        foreach ($topics === null ? [null] : array_chunk($topics, self::CHUNK) as $ids) {
            $its = $ids === null ? clone $uses : (clone $uses)->whereIn('topic_id', $ids);
            array_push($left, ...(clone $its)->distinct()->pluck('word_id')->all());
            $its->delete();
            $this->add($map, ($ids === null ? clone $there : (clone $there)->whereIn('id', $ids))->get(['id', 'title', 'caption']));
        }
        $this->forget($left);
    }

    /** Takes out all words that stand nowhere any more, such as those of maps that have gone for good. */
    public function sweep(): void
    {
        $unused = Word::query()->whereDoesntHave('uses');
        $this->forget($unused->pluck('id')->all());
    }

    /** @param  array<mixed>  $words  ids of words that may stand nowhere any more */
    private function forget(array $words): void
    {
        foreach (array_chunk(array_unique($words), self::CHUNK) as $ids) {
            $used = WordUse::query()->toBase()->whereIn('word_id', $ids)->distinct()->pluck('word_id')->all();
            $unused = array_values(array_diff($ids, $used));
            WordGram::query()->toBase()->whereIn('word_id', $unused)->delete();
            Word::query()->toBase()->whereIn('id', $unused)->delete();
        }
    }

    /** @param  Collection<int, stdClass>  $topics */
    private function add(MapRecord $map, Collection $topics): void
    {
        $more = $this->more($map->id);
        $words = [];
        foreach ($topics as $topic) {
            foreach (Tokens::of(implode(' ', [InlineMarkdown::plain((string) $topic->title), $topic->caption, $more[$topic->id] ?? ''])) as $word) {
                $words[$word][] = (string) $topic->id;
            }
        }
        $ids = $this->wordIds(array_map(strval(...), array_keys($words)));
        $rows = [];
        foreach ($words as $word => $its) {
            foreach ($its as $topic) {
                $rows[] = ['word_id' => $ids[$word], 'map_id' => $map->id, 'topic_id' => $topic];
            }
        }
        foreach (array_chunk($rows, self::CHUNK) as $chunk) {
            WordUse::query()->toBase()->insertOrIgnore($chunk);
        }
    }

    /** @return array<string, string> what features keep in words of topics of a map, by topic */
    public function more(string $map): array
    {
        $more = [];
        $classes = array_values(array_filter(Features::rows(), fn (string $class): bool => $class::hasTexts() && ! $class::isOfMap()));
        foreach ($classes === [] ? [] : $this->store->livingRows($map, $classes) as $row) {
            foreach ($row->textsIn(null) as [$text]) {
                $more[$row->topics()[0]] = ($more[$row->topics()[0]] ?? '').' '.$text;
            }
        }

        return $more;
    }

    /**
     * @param  list<string>  $words
     * @return array<array-key, int> by word
     */
    private function wordIds(array $words): array
    {
        $ids = [];
        foreach (array_chunk($words, self::CHUNK) as $chunk) {
            $known = Word::query()->toBase()->whereIn('word', $chunk)->pluck('id', 'word')->all();
            $new = array_values(array_filter($chunk, fn (string $word): bool => ! isset($known[$word])));
            if ($new !== []) {
                Word::query()->toBase()->insertOrIgnore(array_map(fn (string $word): array => ['word' => $word], $new));
                $made = Word::query()->toBase()->whereIn('word', $new)->pluck('id', 'word')->all();
                $this->addGrams($made);
                $known += $made;
            }
            foreach ($known as $word => $id) {
                $ids[$word] = (int) $id;
            }
        }

        return $ids;
    }

    /** @param  array<array-key, mixed>  $words  ids by word */
    private function addGrams(array $words): void
    {
        $rows = [];
        foreach ($words as $word => $id) {
            foreach (Tokens::grams((string) $word) as $gram) {
                $rows[] = ['gram' => $gram, 'word_id' => $id];
            }
        }
        foreach (array_chunk($rows, self::CHUNK) as $chunk) {
            WordGram::query()->toBase()->insertOrIgnore($chunk);
        }
    }
}
