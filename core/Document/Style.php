<?php

declare(strict_types=1);

namespace ChalkTree\Document;

/** The styles of our own in documents, by the names that people see in their word processor. */
enum Style: string
{
    /** The title of a topic that stands in a list. */
    case Topic = 'Topic';
    case Caption = 'Topic caption';
    case Note = 'Note';
    case NoteHeading = 'Note heading';
    case NoteHeading2 = 'Note heading 2';
    case NoteHeading3 = 'Note heading 3';
    case Link = 'Topic link';
    case SeeAlso = 'See also';
    case File = 'Topic file';
    case Facts = 'Topic facts';
    case Todo = 'Topic to-do';
    case Gathered = 'Topic digest';
    case Drawing = 'Drawing of the map';
    /** Of a text that is read: lines below its title, what stands between scenes, their first paragraph and all others. */
    case TitlePage = 'Title page';
    case SceneBreak = 'Scene break';
    case SceneBegin = 'Scene beginning';
    case SceneText = 'Scene text';

    /** Of a heading within a note, which is no topic. */
    public static function ofHeading(int $level): self
    {
        return match (min(3, $level)) {
            1 => self::NoteHeading, 2 => self::NoteHeading2, default => self::NoteHeading3,
        };
    }

    /** The level of a heading within a note; null for all other styles. */
    public function level(): ?int
    {
        return match ($this) {
            self::NoteHeading => 1, self::NoteHeading2 => 2, self::NoteHeading3 => 3, default => null,
        };
    }

    /** As classes name it in HTML. */
    public function cssClass(): string
    {
        return strtolower(str_replace(' ', '-', $this->value));
    }

    public static function called(string $name): ?self
    {
        foreach (self::cases() as $style) {
            if (in_array(strtolower(str_replace('_20_', ' ', $name)), [strtolower($style->value), $style->cssClass()], true)) {
                return $style;
            }
        }

        return null;
    }
}
