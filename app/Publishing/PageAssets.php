<?php

declare(strict_types=1);

namespace App\Publishing;

use ChalkTree\Text\TypeFace;
use RuntimeException;

/** Where the script and the typefaces of published pages lie, by what the build says. */
final class PageAssets
{
    /** @var array<string, array{file: string, ...}>|null */
    private ?array $manifest = null;

    public function script(): string
    {
        return $this->of('resources/ts/page/page.ts');
    }

    public function font(string $name): string
    {
        return $this->of("resources/fonts/{$name}.woff2");
    }

    /** The rules that fetch typefaces, each when something is set in it. */
    public function faces(): string
    {
        $css = '';
        foreach (TypeFace::cases() as $face) {
            $known = [];
            foreach ([[false, false], [true, false], [false, true], [true, true]] as [$isBold, $isItalic]) {
                $file = $face->file($isBold, $isItalic);
                if (! isset($known[$file])) {
                    $known[$file] = true;
                    $css .= "@font-face{font-family:\"{$face->family()}\";font-weight:".($isBold ? 700 : 400).';font-style:'.(str_contains($file, 'Italic') ? 'italic' : 'normal').";font-display:swap;src:url({$this->font($file)}) format(\"woff2\")}";
                }
            }
        }

        return $css;
    }

    private function of(string $source): string
    {
        $this->manifest ??= (array) json_decode((string) @file_get_contents(public_path('build/manifest.json')), true);

        return '/build/'.($this->manifest[$source]['file'] ?? throw new RuntimeException("The build has no {$source}; run bin/install."));
    }
}
