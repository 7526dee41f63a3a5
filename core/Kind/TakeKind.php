<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\Edit;
use ChalkTree\Edit\Recorder;
use ChalkTree\Edit\Wording;
use ChalkTree\Look\MixedChalk;
use ChalkTree\Map\FeatureRow;
use ChalkTree\Map\TopicMap;

/** Takes kinds into a map, with their fields and all that they need; what is there already stays as it is. */
final readonly class TakeKind implements Edit
{
    private const MOST = 200;

    /** @var list<class-string<FeatureRow>> */
    private const SORTS = [Kind::class, KindField::class, MixedChalk::class];

    /** @param  non-empty-list<FeatureRow>  $rows */
    private function __construct(private array $rows)
    {
    }

    public static function name(): string
    {
        return 'kind.take';
    }

    /** "rows": kinds, fields and mixed chalks, each with type, id and fields. */
    public static function read(Arguments $arguments): self
    {
        $rows = [];
        foreach ($arguments->nestedList('rows') as $from) {
            $type = $from->string('type');
            $class = array_values(array_filter(self::SORTS, fn (string $class): bool => $class::type() === $type))[0] ?? throw $arguments->wrong('rows', 'Kinds come with kinds, fields and chalks.');
            $rows[] = $class::fromFields($from->id('id'), $class::read($from->nested('fields')));
            $from->refuseRest();
        }
        if ($rows === [] || count($rows) > self::MOST) {
            throw $arguments->wrong('rows', 'Take 1 to 200 kinds and fields at a time.');
        }

        return new self($rows);
    }

    public function apply(TopicMap $map, Recorder $recorder): void
    {
        KindLibrary::take($map, $recorder, $this->rows);
    }

    public function sentence(TopicMap $map): string
    {
        $kinds = array_values(array_filter($this->rows, fn (FeatureRow $row): bool => $row instanceof Kind));

        return 'Took '.($kinds === [] ? 'fields' : (count($kinds) === 1 ? 'the kind '.Wording::excerpt($kinds[0]->text('name')) : count($kinds).' kinds')).' into the map';
    }
}
