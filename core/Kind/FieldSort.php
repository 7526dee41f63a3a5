<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

/** What a field holds. */
enum FieldSort: string
{
    case Text = 'text';
    case Long = 'long';
    case Number = 'number';
    case Money = 'money';
    case Date = 'date';
    case Time = 'time';
    case Range = 'range';
    case Yes = 'yes';
    case Choice = 'choice';
    case Choices = 'choices';
    case People = 'people';
    case Names = 'names';
    case Rating = 'rating';
    case Progress = 'progress';
    case Address = 'address';
    case Topic = 'topic';
    case Computed = 'computed';

    public function words(): string
    {
        return match ($this) {
            self::Text => 'text',
            self::Long => 'long text',
            self::Number => 'number',
            self::Money => 'money',
            self::Date => 'date',
            self::Time => 'time of day',
            self::Range => 'from day to day',
            self::Yes => 'yes or no',
            self::Choice => 'one of several',
            self::Choices => 'some of several',
            self::People => 'people',
            self::Names => 'several names',
            self::Rating => 'rating, 1 to 5',
            self::Progress => 'progress, 0 to 100',
            self::Address => 'address',
            self::Topic => 'topic',
            self::Computed => 'computed',
        };
    }

    /** Whether its values are numbers that can be summed up. */
    public function isNumber(): bool
    {
        return in_array($this, [self::Number, self::Money, self::Rating, self::Progress], true);
    }

    /** Whether its values are what people write as they like. */
    public function isText(): bool
    {
        return in_array($this, [self::Text, self::Long, self::People, self::Address], true);
    }

    /** Whether a topic can have several values in it. */
    public function isSeveral(): bool
    {
        return in_array($this, [self::Choices, self::People, self::Names], true);
    }

    public function isDay(): bool
    {
        return $this === self::Date || $this === self::Range;
    }
}
