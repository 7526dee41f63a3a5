<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\MapRecord;
use App\Pictures\CarriedPictures;
use ChalkTree\Arrange\Layout;
use ChalkTree\Arrange\View;
use ChalkTree\Edit\Arguments;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Exchange\Formats;
use ChalkTree\Look\BoardTheme;
use ChalkTree\Map\TopicMap;

/** Everything a map can be taken out as. */
final readonly class Exports
{
    /** @var array<string, string> the kinds of picture, with their media types */
    private const PICTURES = ['svg' => 'image/svg+xml', 'png' => 'image/png'];

    public function __construct(private Pictures $pictures, private CarriedPictures $carried)
    {
    }

    /** @return list<string> */
    public static function names(): array
    {
        return [...Formats::writable(), ...array_keys(self::PICTURES)];
    }

    public static function isPicture(string $to): bool
    {
        return isset(self::PICTURES[$to]);
    }

    public static function mime(string $to): string
    {
        return (Formats::all()[$to] ?? null)?->mime() ?? self::PICTURES[$to];
    }

    /**
     * What was chosen for a text format, as it comes from an address or the command line.
     *
     * @param  array<mixed>  $given
     * @return array<string, scalar|null>
     *
     * @throws InvalidEdit where it is not what the format has
     */
    public static function options(string $to, array $given): array
    {
        $options = [];
        foreach ((Formats::all()[$to] ?? null)?->options() ?? [] as $name => $field) {
            if (isset($given[$name])) {
                $value = is_string($given[$name]) && ctype_digit($given[$name]) && strlen($given[$name]) < 9 ? (int) $given[$name] : $given[$name];
                $options[$name] = $field->read(new Arguments([$name => $value]), $name);
            }
        }

        return $options;
    }

    /**
     * @param  MapRecord  $record  of the map, or of that of which it is a part
     * @param  string  $to  one of names()
     * @param  int|null  $width  pixels, for PNG
     * @param  array<string, scalar|null>  $options  of a text format; see Format::options()
     */
    public function write(MapRecord $record, TopicMap $map, string $to, string $title, View $view = new View, BoardTheme $board = BoardTheme::Day, ?int $width = null, array $options = []): string
    {
        return match ($to) {
            'svg' => $this->pictures->svg($record, Layout::of($map, $view)->scene(), $title, $board),
            'png' => $this->pictures->png($record, Layout::of($map, $view)->scene(), $title, $board, $width),
            'json' => $this->carried->add(Formats::write($map, $to, $options), $record, $map),
            default => Formats::write($map, $to, $options),
        };
    }
}
