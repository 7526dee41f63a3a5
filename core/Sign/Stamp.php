<?php

declare(strict_types=1);

namespace ChalkTree\Sign;

/**
 * A small sign on topics. Each has a form of its own, drawn in strokes of chalk on 16 by 16, so that it is known without
 * its colour; they stand in this order.
 */
enum Stamp: string
{
    case Done = 'done';
    case Doing = 'doing';
    case Cut = 'cut';
    case LookUp = 'look-up';
    case Idea = 'idea';
    case Question = 'question';
    case Warning = 'warning';
    case Important = 'important';
    case Person = 'person';
    case Place = 'place';
    case Date = 'date';
    case Money = 'money';
    case Likes = 'likes';
    case Dislikes = 'dislikes';
    case Yes = 'yes';
    case No = 'no';
    case Used = 'used';
    case Drafted = 'drafted';
    case Revised = 'revised';

    /** The chalk in which it is drawn. */
    public function chalk(): string
    {
        return match ($this) {
            self::Done, self::Yes, self::Place => 'kelp',
            self::Doing, self::Date => 'tide',
            self::Cut, self::Warning, self::No => 'ember',
            self::LookUp, self::Revised => 'dusk',
            self::Idea => 'marigold',
            self::Question => 'heather',
            self::Important, self::Likes => 'coral',
            self::Person, self::Drafted => 'driftwood',
            self::Money, self::Used => 'samphire',
            self::Dislikes => 'mussel',
        };
    }

    /** Its strokes, relative to where it stands: a list of "M x y …" whose first pair alone is absolute. */
    public function strokes(): string
    {
        return match ($this) {
            self::Done => 'M2.3 8.9l4 3.8l7.5 -9.4',
            self::Doing => 'M13.6 8.6a5.7 5.7 0 1 1 -3.3 -5.7m3 -.6l-.3 3.2l-3.1 -.4m-2.1 -.5v3.6l2.5 1.5',
            self::Cut => 'M2.3 4.1a1.9 1.9 0 1 0 3.8 0a1.9 1.9 0 1 0 -3.8 0m0 7.8a1.9 1.9 0 1 0 3.8 0a1.9 1.9 0 1 0 -3.8 0m3.4 -6.6l8.2 6.6m-8.2 -1.2l8.2 -6.6',
            self::Used => 'M9.8 5.2v-2.6h-7v10.8h7v-2.6m-3.3 -2.8h7.3m-2.7 -2.8l2.8 2.8l-2.8 2.8',
            self::Drafted => 'M2.6 13.4l.9 -3.2l7.6 -7.6l2.3 2.3l-7.6 7.6zm7 -9.3l2.3 2.3',
            self::Revised => 'M2.2 4.2h7.4m-7.4 3.8h5.2m-5.2 3.8h3.4m2.6 1.4l.5 -1.9l4.3 -4.3l1.4 1.4l-4.3 4.3z',
            self::LookUp => 'M2.4 6.7a4.3 4.3 0 1 0 8.6 0a4.3 4.3 0 1 0 -8.6 0m7.5 3.2l4 4',
            self::Idea => 'M8 1.9a4.3 4.3 0 0 0 -2.4 7.8v1.9h4.8v-1.9a4.3 4.3 0 0 0 -2.4 -7.8m-1.5 12.3h3',
            self::Question => 'M4.9 5.5a3.1 3.1 0 1 1 4.7 2.5c-1.1 .7 -1.6 1.3 -1.6 2.5m0 3v.1',
            self::Warning => 'M8 2.1l6.4 11.5h-12.8zm0 4.2v3.5m0 1.9v.1',
            self::Important => 'M5.5 2.2v7.4m0 3.6v.1m5 -11.1v7.4m0 3.6v.1',
            self::Person => 'M5.3 4.9a2.7 2.7 0 1 0 5.4 0a2.7 2.7 0 1 0 -5.4 0m-2.7 9.1c.4 -3.6 2.4 -5 5.4 -5s5 1.4 5.4 5',
            self::Place => 'M8 14.3c-3 -3.6 -4.4 -5.8 -4.4 -7.9a4.4 4.4 0 1 1 8.8 0c0 2.1 -1.4 4.3 -4.4 7.9m-1.4 -7.9a1.4 1.4 0 1 0 2.8 0a1.4 1.4 0 1 0 -2.8 0',
            self::Date => 'M2.4 3.8h11.2v10h-11.2zm0 3.4h11.2m-8.4 -5.2v3m5.6 -3v3',
            self::Money => 'M3 4.6a5 2.2 0 1 0 10 0a5 2.2 0 1 0 -10 0v6.6a5 2.2 0 0 0 10 0v-6.6m-10 3.3a5 2.2 0 0 0 10 0',
            self::Likes => 'M8 13.7c-4.6 -3.4 -6.2 -5.8 -6.2 -8.1a3.1 3.1 0 0 1 6.2 -1.1a3.1 3.1 0 0 1 6.2 1.1c0 2.3 -1.6 4.7 -6.2 8.1z',
            self::Dislikes => 'M8 13.7c-4.6 -3.4 -6.2 -5.8 -6.2 -8.1a3.1 3.1 0 0 1 6.2 -1.1a3.1 3.1 0 0 1 6.2 1.1c0 2.3 -1.6 4.7 -6.2 8.1m0 -9.2l-1.7 2.7l3 1.6l-1.5 2.6',
            self::Yes => 'M2 8a6 6 0 1 0 12 0a6 6 0 1 0 -12 0m3 .3l2.2 2.1l3.8 -4.5',
            self::No => 'M2 8a6 6 0 1 0 12 0a6 6 0 1 0 -12 0m1.8 -4.2l8.4 8.4',
        };
    }

    /** What it is called. */
    public function words(): string
    {
        return match ($this) {
            self::LookUp => 'look up',
            default => $this->value,
        };
    }
}
