<?php

declare(strict_types=1);

namespace ChalkTree\Look;

use ChalkTree\Text\TypeFace;

/** The colours of boards and chalks as CSS variables, so that the browser and every exported picture agree. */
final class StyleSheet
{
    public static function css(): string
    {
        $css = '';
        foreach (BoardTheme::cases() as $board) {
            $rules = '';
            foreach ($board->colours() as $name => $colour) {
                $rules .= '--'.strtolower((string) preg_replace('/[A-Z]/', '-$0', $name)).":{$colour};";
            }
            foreach (Chalk::cases() as $chalk) {
                $rules .= self::chalk($chalk->value, (new Palette)->colours($chalk->value, $board));
            }
            $css .= "[data-board={$board->value}]{{$rules}}";
        }

        return $css.self::faces(TypeFace::cases(), '!important');
    }

    /** @param  array{line: string, tint: string, text: string}  $colours */
    public static function chalk(string $name, array $colours): string
    {
        return "--{$name}:{$colours['line']};--{$name}-tint:{$colours['tint']};--{$name}-text:{$colours['text']};";
    }

    /**
     * The rules that set text in the faces it names by its class. A rule for all text goes before an attribute, so it is
     * said by rules.
     *
     * @param  list<TypeFace>  $faces
     * @param  string  $weight  "!important" where there are rules with more weight; not every program knows it
     */
    public static function faces(array $faces, string $weight = ''): string
    {
        $css = '';
        foreach (array_unique($faces, SORT_REGULAR) as $face) {
            $css .= $face === TypeFace::Clear ? '' : ".face-{$face->value}{font-family:\"{$face->family()}\",sans-serif{$weight}}";
        }

        return $css;
    }
}
