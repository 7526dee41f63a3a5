<?php

declare(strict_types=1);

namespace ChalkTree\Look;

/** Where something can be said of a look, in this order; what is said later holds. */
enum LookPlace: int
{
    case Whole = 0;
    case Map = 1;
    case Level = 2;
    case Heading = 3;
    case Step = 4;
    case Kind = 5;
    case Named = 6;
    case Topic = 7;
    case Rule = 8;

    /** For the question why something looks so. */
    public function words(): string
    {
        return match ($this) {
            self::Whole => 'the look of the map',
            self::Map => 'the whole map',
            self::Level => 'its level',
            self::Heading => 'the headings of its grid',
            self::Step => 'a step of its process',
            self::Kind => 'its kind',
            self::Named => 'a look with a name',
            self::Topic => 'the topic itself',
            self::Rule => 'a rule',
        };
    }
}
