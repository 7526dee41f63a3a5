<?php

declare(strict_types=1);

namespace App\HandOver;

use ChalkTree\Exchange\UnreadableFile;

/** The formats of documents, which other programs write and read: pandoc all of them, weasyprint sets pages. */
enum DocumentFormat: string
{
    case Html = 'html';
    case Docx = 'docx';
    case Odt = 'odt';
    case Rtf = 'rtf';
    case Epub = 'epub';
    case Pdf = 'pdf';

    public function mime(): string
    {
        return match ($this) {
            self::Html => 'text/html',
            self::Docx => 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
            self::Odt => 'application/vnd.oasis.opendocument.text',
            self::Rtf => 'application/rtf',
            self::Epub => 'application/epub+zip',
            self::Pdf => 'application/pdf',
        };
    }

    /** Whether it shows drawings in vectors; of others they are drawn beforehand. */
    public function showsVectors(): bool
    {
        return in_array($this, [self::Html, self::Epub, self::Pdf], true);
    }

    /** How pandoc is told to read it, our styles included; null where maps are only written. */
    public function readsAs(): ?string
    {
        return match ($this) {
            self::Docx => 'docx+styles',
            self::Epub => 'epub-raw_html',
            self::Html => 'html-raw_html-native_spans',
            self::Odt => 'odt',
            self::Rtf => 'rtf',
            self::Pdf => null,
        };
    }

    /**
     * Which of them a file is, by its first bytes and, where they say too little, by its ending; null for none.
     *
     * @throws UnreadableFile where it is one that cannot be read
     */
    public static function of(string $contents, string $name): ?self
    {
        $ending = strtolower(pathinfo($name, PATHINFO_EXTENSION));
        if (str_starts_with($contents, "PK\x03\x04")) {
            $begin = substr($contents, 0, 4_000);

            return match (true) {
                str_contains($begin, 'application/vnd.oasis.opendocument.text') => self::Odt,
                str_contains($begin, 'application/epub+zip') => self::Epub,
                $ending === 'docx', str_contains($contents, 'word/document.xml') => self::Docx,
                default => null,
            };
        }
        if (str_starts_with($contents, '{\rtf')) {
            return self::Rtf;
        }
        if (str_starts_with($contents, '%PDF-')) {
            throw new UnreadableFile('Maps are not read from PDF. Add it to a topic as a file, or bring in the document it was made from.');
        }

        return in_array($ending, ['html', 'htm', 'xhtml'], true) || preg_match('/\A\s*(?:<!doctype html|<html)/i', substr($contents, 0, 400)) === 1 ? self::Html : null;
    }
}
