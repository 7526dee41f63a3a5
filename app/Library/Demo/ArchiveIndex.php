<?php

declare(strict_types=1);

namespace App\Library\Demo;

use ChalkTree\Edit\TopicDraft;
use ChalkTree\Map\NewMap;
use ChalkTree\Map\TopicMap;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** An index of the harbour town's archive: as large a map as one likes, always the same, that makes sense to read. */
final readonly class ArchiveIndex
{
    private const SERIES = [
        'Harbour office' => ['Arrivals', 'Pilots', 'Moorings', 'Wrecks and salvage', 'Dues', 'Lights and buoys'],
        'Rope works' => ['Orders', 'Hemp bought', 'Wages', 'Accidents', 'Machines'],
        'Ferry' => ['Timetables', 'Crews', 'Boats', 'Complaints', 'Repairs'],
        'Town council' => ['Minutes', 'Rates', 'Streets', 'Water', 'Markets'],
        'School' => ['Registers', 'Inspections', 'Prizes', 'Buildings'],
        'Lantern festival' => ['Programmes', 'Committees', 'Routes', 'Photographs', 'Accounts'],
        'Chapel' => ['Baptisms', 'Marriages', 'Burials', 'Bells and organ'],
        'Families' => ['Fenwick', 'Marlowe', 'Aske', 'Thorsby', 'Quill', 'Harrow'],
    ];

    private const PAPERS = [
        'Letter from %s to the %s', 'Account book kept by %s', 'Plan of the %s, drawn by %s', 'Photograph: %s at the %s',
        'Receipt signed by %s', 'Notice about the %s', 'Diary of %s', 'List of men working at the %s', 'Petition of %s and others about the %s',
        'Repairs to the %s', 'Inventory of the %s', 'Report by %s',
    ];

    private const NAMES = ['Anna Fenwick', 'Josiah Quill', 'Widow Aske', 'Piet Thorsby', 'Clara Marlowe', 'Captain Harrow', 'the schoolmaster', 'Ebba Thorsby', 'Tom Quill', 'the harbour master'];

    private const PLACES = ['old slipway', 'net loft', 'mole', 'fish market', 'rope walk', 'crane', 'ferry steps', 'market hall', 'chapel roof', 'salt pans', 'causeway', 'light'];

    public static function make(int $topics = 3000): TopicMap
    {
        $random = new Randomizer(new Mt19937(1840));
        $pick = fn (array $from): string => (string) $from[$random->getInt(0, count($from) - 1)];
        $root = new TopicDraft('Saltmere archive', 'index of papers');
        $boxes = [];
        $count = 1;
        foreach (self::SERIES as $series => $parts) {
            $root->children[] = $branch = new TopicDraft($series);
            $count++;
            foreach ($parts as $part) {
                $branch->children[] = $shelf = new TopicDraft($part);
                $boxes[] = ['shelf' => $shelf, 'year' => $random->getInt(1780, 1830)];
                $count++;
            }
        }
        for ($i = 0; $count < $topics; $i = ($i + 1) % count($boxes)) {
            $from = $boxes[$i]['year'];
            $boxes[$i]['year'] += $random->getInt(3, 9);
            $boxes[$i]['shelf']->children[] = $box = new TopicDraft("{$from} to {$boxes[$i]['year']}");
            $count++;
            for ($n = $random->getInt(2, 9); $n > 0 && $count < $topics; $n--, $count++) {
                $form = $pick(self::PAPERS);
                $words = substr_count($form, '%s') === 2 && ! str_contains($form, 'Plan')
                    ? [$pick(self::NAMES), $pick(self::PLACES)]
                    : (preg_match('/(by|of|from) %s|: %s|signed/', $form) === 1 && ! preg_match('/of the %s/', $form) ? [$pick(self::NAMES), $pick(self::PLACES)] : [$pick(self::PLACES), $pick(self::NAMES)]);
                $box->children[] = new TopicDraft(vsprintf($form, $words), $random->getInt(0, 3) === 0 ? 'box '.$random->getInt(1, 240).', '.$random->getInt(2, 60).' leaves' : '');
            }
        }

        return NewMap::from($root);
    }
}
