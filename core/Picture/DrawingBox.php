<?php

declare(strict_types=1);

namespace ChalkTree\Picture;

/**
 * The box of drawings: small drawings with a free licence, found by words. bin/drawings packs it from a package: a file
 * of SVG for each, and a list of their words.
 */
final class DrawingBox
{
    public const MOST = 240;

    /** @var array<string, array{string, list<string>, bool}>|null label, words, and whether it is another in a tone of skin; by name */
    private ?array $known = null;

    /**
     * @param  string  $folder  with the drawings
     * @param  string  $list  a PHP file that returns the words
     */
    public function __construct(private readonly string $folder, private readonly string $list)
    {
    }

    public function has(string $name): bool
    {
        return isset($this->all()[$name]);
    }

    /** What is inside the svg element of a drawing, 32 by 32; null where there is none. */
    public function body(string $name): ?string
    {
        $svg = $this->has($name) ? @file_get_contents("{$this->folder}/{$name}.svg") : false;

        return $svg === false || preg_match('~^<svg[^>]*>(.*)</svg>\s*$~sD', $svg, $m) !== 1 ? null : $m[1];
    }

    public function count(): int
    {
        return count($this->all());
    }

    /**
     * Drawings that all the words lead to, those first whose own names they begin; without words the first of the box.
     *
     * @return list<array{name: string, label: string}>
     */
    public function find(string $text, int $most = self::MOST): array
    {
        $words = array_slice(preg_split('/[^\p{L}\p{N}]+/u', mb_strtolower($text), flags: PREG_SPLIT_NO_EMPTY) ?: [], 0, 6);
        $found = [];
        $order = 0;
        foreach ($this->all() as $name => [$label, $its, $isTone]) {
            $rank = $isTone ? 8 : 0;
            foreach ($words as $word) {
                $hit = self::rank($word, $label, $its);
                if ($hit === null) {
                    continue 2;
                }
                $rank += $hit;
            }
            $found[] = [$rank, $order++, (string) $name, $label];
        }
        sort($found);

        return array_map(fn (array $one): array => ['name' => $one[2], 'label' => $one[3]], array_slice($found, 0, max(0, $most)));
    }

    /**
     * 0 where it is the name, 1 where the name begins with it, 2 where a word is it, 3 where one begins with it.
     *
     * @param  list<string>  $words
     */
    private static function rank(string $word, string $label, array $words): ?int
    {
        if ($label === $word) {
            return 0;
        }
        $rank = null;
        if (str_starts_with($label, $word)) {
            $rank = 1;
        }
        foreach ($words as $one) {
            if ($one === $word) {
                return min($rank ?? 2, 2);
            }
            if (str_starts_with($one, $word)) {
                $rank ??= 3;
            }
        }

        return $rank;
    }

    /** @return array<string, array{string, list<string>, bool}> */
    private function all(): array
    {
        if ($this->known === null) {
            /** @var array<string, array{string, list<string>, bool}> $known */
            $known = is_file($this->list) ? require $this->list : [];
            $this->known = $known;
        }

        return $this->known;
    }
}
