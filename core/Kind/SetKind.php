<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\Days;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\TopicChoice;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\TopicMap;

/** Makes topics be of a kind, or of none any more; what they have in its fields stays. */
final readonly class SetKind implements Edit
{
    /** @param  non-empty-list<string>  $topics */
    private function __construct(private array $topics, private ?string $kind, private string $today)
    {
    }

    public static function name(): string
    {
        return 'kind.give';
    }

    /** "topics"; "kind", null for none; "today", where the person is. */
    public static function read(Arguments $arguments): self
    {
        return new self($arguments->ids('topics'), $arguments->idOrNull('kind'), Days::given($arguments));
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        $kind = $this->kind === null ? null : Kinds::kind($map, $this->kind);
        foreach ($this->topics as $id) {
            $topic = $map->topic($id, 'topics')->id;
            if ($kind === null) {
                $recorder->keep(TopicKind::fromFields($topic, []));
            } else {
                Beginning::give($map, $recorder, $topic, $kind, $this->today);
            }
        }
    }

    public function sentence(TopicMap $map): string
    {
        $titles = Wording::several(TopicChoice::titles($map, array_values(array_filter($this->topics, $map->has(...)))));
        $kind = $this->kind === null ? null : $map->row(Kind::type(), $this->kind);

        return $kind instanceof Kind ? "Made {$titles} “{$kind->text('name')}”" : "Took the kind off {$titles}";
    }
}
