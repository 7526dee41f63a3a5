<?php

declare(strict_types=1);

namespace ChalkTree\Picture;

use ChalkTree\Exchange\UnreadableFile;
use ChalkTree\Exchange\XmlBounds;
use DOMDocument;
use DOMElement;

/**
 * An SVG that can be shown as a picture: it does nothing, fetches nothing and asks for nothing. What has scripts, foreign
 * content or references to elsewhere is refused, not mended, so that nobody wonders what became of it.
 */
final readonly class SafeSvg
{
    /** Bytes; drawings by hand are far smaller. */
    private const LARGEST = 4 * 1024 * 1024;

    /** Elements, with those that are drawn again by a reference. */
    private const MOST_DRAWN = 200_000;

    private const SVG = 'http://www.w3.org/2000/svg';

    private const REFUSED = ['script', 'foreignobject', 'iframe', 'embed', 'object', 'audio', 'video', 'handler', 'listener', 'a', 'set', 'animate', 'animatemotion', 'animatetransform', 'discard'];

    /** @param  int  $wide  pixels by itself */
    private function __construct(public string $text, public int $wide, public int $high)
    {
    }

    public static function isOne(string $bytes): bool
    {
        return preg_match('/^(\xef\xbb\xbf)?\s*(<\?xml[^>]{0,300}\?>\s*)?(<!--.{0,4000}?-->\s*|<!DOCTYPE[^>\[]{0,300}>\s*){0,5}<svg[\s>]/s', substr($bytes, 0, 24_000)) === 1;
    }

    /** @throws UnusablePicture */
    public static function read(string $bytes): self
    {
        if (strlen($bytes) > self::LARGEST) {
            throw new UnusablePicture('An SVG can have at most 4 MB.');
        }
        // What names a document type is not needed to draw it, and could define entities.
        $text = (string) preg_replace('/<!DOCTYPE[^>\[]{0,300}>/', '', $bytes, 1);
        $document = self::document($text);
        $root = $document->documentElement;
        if (str_contains((string) preg_replace('/^(\xef\xbb\xbf)?\s*<\?xml\s[^>]{0,300}\?>/', '', $text), '<?')) {
            throw self::refers();
        }
        if ($root === null || $root->localName !== 'svg' || $root->namespaceURI !== self::SVG) {
            throw new UnusablePicture('This SVG does not say that it is one.');
        }
        self::check($document);
        [$wide, $high] = self::size($root);
        // So that it has a size wherever it is shown.
        $root->setAttribute('width', (string) $wide);
        $root->setAttribute('height', (string) $high);
        $out = $document->saveXML($root);

        return new self($out === false ? $text : $out, $wide, $high);
    }

    private static function document(string $text): DOMDocument
    {
        $document = new DOMDocument;
        $before = libxml_use_internal_errors(true);
        try {
            XmlBounds::check($text);
            $isRead = stripos($text, '<!DOCTYPE') === false && stripos($text, '<!ENTITY') === false && $document->loadXML($text, LIBXML_NONET | LIBXML_NOBLANKS);
        } catch (UnreadableFile) {
            $isRead = false;
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }

        return $isRead ? $document : throw new UnusablePicture('This SVG cannot be read: it is not whole, or has more in it than a drawing.');
    }

    private static function check(DOMDocument $document): void
    {
        if (self::drawn($document) > self::MOST_DRAWN) {
            throw new UnusablePicture('This SVG draws too much: its pieces call each other again and again.');
        }
        foreach ($document->getElementsByTagName('*') as $element) {
            if (in_array(strtolower((string) $element->localName), self::REFUSED, true)) {
                throw new UnusablePicture("This SVG does more than draw (it has “{$element->localName}” in it), so it is not taken in.");
            }
            if ($element->localName === 'style' && self::refersOut($element->textContent)) {
                throw self::refers();
            }
            foreach ($element->attributes as $attribute) {
                $name = strtolower((string) $attribute->localName);
                if ($name === 'base') {
                    throw self::refers();
                }
                if (str_starts_with($name, 'on')) {
                    throw new UnusablePicture('This SVG does more than draw (it answers to events), so it is not taken in.');
                }
                $value = trim($attribute->value);
                $isReference = $name === 'href' || $name === 'src';
                if (($isReference && $value !== '' && ! str_starts_with($value, '#') && preg_match('~^data:image/(png|jpeg|gif|webp);base64,[A-Za-z0-9+/=\s]*$~D', $value) !== 1) || (! $isReference && self::refersOut($value))) {
                    throw self::refers();
                }
            }
        }
    }

    /** How many elements are drawn if every reference is followed; more than that is not counted. */
    private static function drawn(DOMDocument $document): int
    {
        $byId = $counts = [];
        $all = [];
        foreach ($document->getElementsByTagName('*') as $element) {
            $all[] = $element;
            if ($element->hasAttribute('id')) {
                $byId[$element->getAttribute('id')] = $element;
            }
        }
        // What is called has to be counted before what calls it, so it is gone over until nothing changes.
        for ($round = 0, $isOther = true; $isOther && $round < 100; $round++) {
            $isOther = false;
            foreach (array_reverse($all, true) as $i => $element) {
                $count = 1;
                foreach ($element->childNodes as $child) {
                    $count += $child instanceof DOMElement ? $counts[spl_object_id($child)] ?? 1 : 0;
                }
                foreach ($element->attributes as $attribute) {
                    $called = $attribute->localName === 'href' ? $byId[ltrim(trim($attribute->value), '#')] ?? null : null;
                    $count += $called === null ? 0 : $counts[spl_object_id($called)] ?? 1;
                }
                $count = min($count, self::MOST_DRAWN + 1);
                $isOther = $isOther || ($counts[spl_object_id($element)] ?? 0) !== $count;
                $counts[spl_object_id($element)] = $count;
            }
        }

        return $isOther ? self::MOST_DRAWN + 1 : $counts[spl_object_id($document->documentElement ?? $document)] ?? 0;
    }

    /** Whether a style or the value of an attribute names something outside the file. */
    private static function refersOut(string $css): bool
    {
        // Signs may be written as escapes in CSS.
        return str_contains($css, '\\') || preg_match('/@import|expression\s*\(|javascript:/i', $css) === 1 || preg_match('/url\(\s*["\']?\s*(?!#)/i', $css) === 1;
    }

    private static function refers(): UnusablePicture
    {
        return new UnusablePicture('This SVG refers to something outside itself, so it is not taken in.');
    }

    /** @return array{int, int} */
    private static function size(DOMElement $root): array
    {
        $box = preg_split('/[\s,]+/', trim($root->getAttribute('viewBox'))) ?: [];
        [$wide, $high] = count($box) === 4 ? [(float) $box[2], (float) $box[3]] : [0.0, 0.0];
        $length = fn (string $name): float => preg_match('/^\s*([0-9.]+)(px)?\s*$/D', $root->getAttribute($name), $m) === 1 ? (float) $m[1] : 0.0;
        [$w, $h] = [$length('width'), $length('height')];
        if ($wide <= 0.0 || $high <= 0.0) {
            [$wide, $high] = $w > 0.0 && $h > 0.0 ? [$w, $h] : [300.0, 150.0];
            $root->setAttribute('viewBox', "0 0 {$wide} {$high}");
        }
        // As large as it says, in the ratio of what it draws.
        $scale = $w > 0.0 ? $w / $wide : ($h > 0.0 ? $h / $high : 1.0);
        $within = fn (float $side): int => (int) max(1, min(10_000, round($side * $scale)));

        return [$within($wide), $within($high)];
    }
}
