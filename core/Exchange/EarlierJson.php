<?php

declare(strict_types=1);

namespace ChalkTree\Exchange;

/** Files of version 1, in which topics said themselves what rows of features say since. */
final class EarlierJson
{
    public const VERSION = 1;

    /** By the type of row: what its fields were called in topics. */
    private const MOVED = [
        'look' => ['width' => 'width'],
        'numbering' => ['numbering' => 'style', 'numberFrom' => 'from'],
        'apart' => ['apartX' => 'x', 'apartY' => 'y'],
    ];

    /**
     * The same as a file of version 2. Whatever is not right in it is left for the reader to find.
     *
     * @param  array<mixed>  $data
     * @return array<mixed>
     */
    public static function raised(array $data): array
    {
        $data['version'] = self::VERSION + 1;
        $rows = [];
        $topics = is_array($data['topics'] ?? null) ? $data['topics'] : [];
        foreach ($topics as $at => $topic) {
            foreach (is_array($topic) ? self::MOVED : [] as $type => $names) {
                $fields = [];
                foreach (array_intersect_key($names, $topic) as $old => $new) {
                    $fields[$new] = $topic[$old];
                }
                if ($fields !== []) {
                    $rows[] = ['type' => $type, 'id' => $topic['id'] ?? null, 'fields' => $fields];
                    $data['topics'][$at] = array_diff_key($data['topics'][$at], $names);
                }
            }
        }
        if ($rows !== []) {
            $data['rows'] = [...(is_array($data['rows'] ?? null) ? $data['rows'] : []), ...$rows];
        }

        return $data;
    }
}
