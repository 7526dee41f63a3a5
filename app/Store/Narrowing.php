<?php

declare(strict_types=1);

namespace App\Store;

use ChalkTree\Arrange\View;
use ChalkTree\Ask\Moment;
use ChalkTree\Ask\Reading;
use ChalkTree\Edit\Changes;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Filter\Narrowed;
use ChalkTree\Filter\Showing;
use ChalkTree\Map\TopicMap;

/**
 * To what a person has narrowed a map. It is asked anew whenever the map is another; what they have changed since they
 * said it stays in view, hit or not, so that nothing goes away under their hands.
 *
 * @phpstan-type Said array{text: string, shows: string, kept: list<string>}
 *
 * @phpstan-import-type Look from ViewStore
 */
final readonly class Narrowing
{
    /** How many topics stay that are no hits; then the first of them go. */
    private const MOST_KEPT = 300;

    /** @param  Narrowed|null  $narrowed  null where the map is whole */
    private function __construct(private ?string $text, private Showing $shows, public ?Narrowed $narrowed)
    {
    }

    /** @param  Look  $look */
    public static function of(TopicMap $map, array $look, string $today): self
    {
        $said = $look['filter'];
        if ($said === null || $look['showing']) {
            return new self(null, Showing::Dim, null);
        }
        $now = new Moment($map, $today);
        $shows = Showing::tryFrom($said['shows']) ?? Showing::Above;
        try {
            $condition = Reading::of($said['text'], $now)->condition;
        } catch (InvalidEdit) {
            $condition = null;
        }

        return new self($said['text'], $shows, $condition === null ? null : Narrowed::to($now, $condition, $shows, $look['scope'], $said['kept']));
    }

    /**
     * What the browser is told of it: what is hit, and the board with what is left of the map.
     *
     * @param  View  $view  how the whole is seen
     * @return array{text: string, shows: string, hits: list<string>, scene: array<string, mixed>|null}|null "Narrowed" in the wire schema
     */
    public function told(TopicMap $map, View $view): ?array
    {
        if ($this->narrowed === null) {
            return null;
        }
        $scene = $this->shows === Showing::Dim ? null : (new SceneBoard(null, $this->narrowed->view($view)))->news($map, []);

        return ['text' => (string) $this->text, 'shows' => $this->shows->value, 'hits' => $this->narrowed->hits, 'scene' => $scene];
    }

    /**
     * The view that is kept: what stays in it still does where the same is said as before, and what was changed now.
     *
     * @param  Look  $before
     * @param  Look  $look  as it is to be
     * @param  list<Changes>  $made
     * @return Look
     */
    public static function keeping(TopicMap $map, array $before, array $look, array $made): array
    {
        $said = $look['filter'];
        if ($said === null) {
            return $look;
        }
        $kept = $before['filter'] !== null && $before['filter']['text'] === $said['text'] ? $before['filter']['kept'] : [];
        foreach ($made as $changes) {
            array_push($kept, ...$changes->topics($map));
        }

        return ['filter' => ['kept' => array_slice(array_values(array_unique($kept)), -self::MOST_KEPT)] + $said] + $look;
    }
}
