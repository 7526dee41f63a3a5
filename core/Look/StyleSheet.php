<?php

declare(strict_types=1);

namespace ChalkTree\Look;

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
                $rules .= "--{$chalk->value}:{$chalk->line($board)};--{$chalk->value}-tint:{$chalk->tint($board)};--{$chalk->value}-text:{$chalk->text($board)};";
            }
            $css .= "[data-board={$board->value}]{{$rules}}";
        }

        return $css;
    }
}
