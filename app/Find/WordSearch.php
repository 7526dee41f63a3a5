<?php

declare(strict_types=1);

namespace App\Find;

use App\Models\Person;
use App\Models\Word;
use App\Models\WordGram;
use App\Models\WordUse;
use App\Sharing\Access;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Collection;
use stdClass;

/** Asks the index of words. What it joins is too much for models. */
final readonly class WordSearch
{
    public function __construct(private Access $access)
    {
    }

    /**
     * The words of the maps in which a person works that may be meant by who typed this, likeliest first.
     *
     * @return array<int, float> likeness by the word's id
     */
    public function meant(Person $person, string $typed, int $most = 150): array
    {
        $begun = $this->own($person, Word::query()->toBase())->where('word', '>=', $typed)->where('word', '<', $typed."\u{10fffd}")
            ->orderByRaw('length(word)')->limit($most)->get(['id', 'word']);
        $likely = [];
        foreach ($begun as $row) {
            $likely[(int) $row->id] = Tokens::likeness($typed, (string) $row->word);
        }
        if (count($likely) < 3 && mb_strlen($typed) >= 3) {
            $grams = Tokens::grams($typed);
            $near = $this->own($person, WordGram::query()->toBase()->join('words', 'words.id', '=', 'word_grams.word_id'))->whereIn('gram', $grams)
                ->groupBy('words.id', 'words.word')->orderByRaw('count(*) desc, length(words.word)')->limit(80)->get(['words.id', 'words.word']);
            foreach ($near as $row) {
                $likely[(int) $row->id] ??= Tokens::likeness($typed, (string) $row->word);
            }
        }
        $likely = array_filter($likely, fn (float $likeness): bool => $likeness > 0.0);
        arsort($likely);

        return $likely;
    }

    /** Words that stand in a map in which this person works that is not in the trash. */
    private function own(Person $person, Builder $words): Builder
    {
        return $words->whereExists(fn (Builder $query) => $query->from('word_uses')->join('maps', 'maps.id', '=', 'word_uses.map_id')
            ->whereColumn('word_uses.word_id', 'words.id')->where($this->access->workable($person))->whereNull('maps.trashed_at'));
    }

    /**
     * Topics in the maps in which a person works that use words, those with the likelier words first.
     *
     * @param  array<int, float>  $words  likeness by id
     * @param  string|null  $only  the one map to look in
     * @return Collection<int, stdClass> map_id, topic_id, title, caption, parent
     */
    public function using(Person $person, array $words, int $most, ?string $only = null): Collection
    {
        $found = new Collection;
        foreach (array_chunk(array_keys($words), 12) as $some) {
            $found = $found->concat(WordUse::query()->toBase()
                ->join('maps', 'maps.id', '=', 'word_uses.map_id')
                ->join('topics', fn (JoinClause $join) => $join->on('topics.map_id', '=', 'word_uses.map_id')->on('topics.id', '=', 'word_uses.topic_id'))
                ->whereIn('word_id', $some)->where($this->access->workable($person))->whereNull('maps.trashed_at')->whereNull('topics.removed')
                ->when($only !== null, fn (Builder $query) => $query->where('word_uses.map_id', $only))
                ->limit($most - $found->count())
                ->get(['word_uses.map_id', 'word_uses.topic_id', 'topics.title', 'topics.caption', 'topics.parent']));
            if ($found->count() >= $most) {
                break;
            }
        }

        return $found;
    }
}
