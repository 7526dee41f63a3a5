<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

use ChalkTree\Ask\Days;
use ChalkTree\Ask\People;
use ChalkTree\Edit\InvalidEdit;
use ChalkTree\Edit\Wording;
use ChalkTree\Map\Ids;
use ChalkTree\Map\TopicMap;
use ChalkTree\Text\Address;
use ChalkTree\Text\InlineMarkdown;

/**
 * The one form in which values of each sort are kept, what a person may type for it, and how it is shown: numbers with a
 * point, days as YYYY-MM-DD, times as HH:MM, two days with a slash between, "yes" or "no", choices and people one a line,
 * topics as "topic:" and their id.
 */
final readonly class ValueForm
{
    private const LONGEST_TEXT = 2_000;

    private const LONGEST_LONG = 20_000;

    private const LARGEST = 1e15;

    /**
     * What a person typed, as it is kept.
     *
     * @throws InvalidEdit  with a sentence that says what is wanted
     */
    public static function read(KindField $field, string $typed, string $today, TopicMap $map): string
    {
        $typed = trim(Wording::clean($typed, 'value'));
        $kept = match ($field->sort()) {
            FieldSort::Text => self::bounded((string) preg_replace('/\s+/u', ' ', $typed), self::LONGEST_TEXT),
            FieldSort::Long => self::bounded($typed, self::LONGEST_LONG),
            FieldSort::Number, FieldSort::Money => self::number($typed, $field->text('unit'), -self::LARGEST, self::LARGEST),
            FieldSort::Rating => self::number($typed, '', 1, 5, isWhole: true),
            FieldSort::Progress => self::number($typed, '%', 0, 100, isWhole: true),
            FieldSort::Date => Days::read($typed, $today),
            FieldSort::Range => self::range($typed, $today),
            FieldSort::Time => self::time($typed),
            FieldSort::Yes => match (mb_strtolower($typed)) {
                'yes', 'y', 'true', '1' => 'yes',
                'no', 'n', 'false', '0' => 'no',
                default => null,
            },
            FieldSort::Choice => self::chosen($field, [$typed]),
            FieldSort::Choices => self::chosen($field, array_values(array_filter(array_map(trim(...), preg_split('/[,;\n]/', $typed) ?: []), fn (string $one): bool => $one !== ''))),
            FieldSort::People, FieldSort::Names => People::read($typed),
            FieldSort::Address => self::address($typed),
            FieldSort::Topic => self::topic($typed, $map),
            FieldSort::Computed => null,
        };

        return $kept ?? throw new InvalidEdit(self::wanted($field), 'value');
    }

    /** What a field wants, as a sentence. */
    private static function wanted(KindField $field): string
    {
        $name = "“{$field->text('name')}”";

        return match ($field->sort()) {
            FieldSort::Text => "{$name} holds at most 2,000 letters; longer text belongs in a field of long text or in the note.",
            FieldSort::Long => "{$name} holds at most 20,000 letters; longer text belongs in the note.",
            FieldSort::Number, FieldSort::Money => "{$name} wants a number, such as 12 or 12.50.",
            FieldSort::Rating => "{$name} wants a whole number from 1 to 5.",
            FieldSort::Progress => "{$name} wants a whole number from 0 to 100.",
            FieldSort::Date => "{$name} wants a day, such as 5 Dec, Friday, tomorrow or +3.",
            FieldSort::Range => "{$name} wants two days with “to” between, the earlier first, such as 5 Dec to 8 Dec.",
            FieldSort::Time => "{$name} wants a time of day, such as 14:30.",
            FieldSort::Yes => "{$name} wants yes or no.",
            FieldSort::Choice, FieldSort::Choices => "{$name} can be: ".implode(', ', $field->choices()).'.',
            FieldSort::People, FieldSort::Names => "{$name} wants names with commas between, at most ".People::MOST.'.',
            FieldSort::Address => "{$name} wants an address, such as https://… or somebody@….",
            FieldSort::Topic => "{$name} wants a topic of this map.",
            FieldSort::Computed => "{$name} is computed from other fields.",
        };
    }

    /** A value as people read it. */
    public static function shown(KindField $field, string $value, string $today, TopicMap $map): string
    {
        return match ($field->sort()) {
            FieldSort::Number, FieldSort::Money => self::withUnit($field, (float) $value),
            FieldSort::Rating => str_repeat('★', (int) $value).str_repeat('☆', max(0, 5 - (int) $value)),
            FieldSort::Progress => "{$value} %",
            FieldSort::Date => Days::isOne($value) ? Days::short($value, $today) : $value,
            FieldSort::Range => implode(' – ', array_map(fn (string $day): string => Days::isOne($day) ? Days::short($day, $today) : $day, explode('/', $value))),
            FieldSort::Choices, FieldSort::People, FieldSort::Names => str_replace("\n", ', ', $value),
            FieldSort::Topic => InlineMarkdown::oneLine($map->find(substr($value, strlen(Values::TOPIC)))->title ?? '…'),
            default => $value,
        };
    }

    /** A number with the unit of its field. */
    public static function withUnit(KindField $field, float $number): string
    {
        $unit = $field->text('unit');
        $isMoney = $field->sort() === FieldSort::Money || ($field->sort() === FieldSort::Computed && preg_match('/^\p{Sc}$/u', $unit) === 1);
        $rounded = round($number, $isMoney ? 2 : 4);
        $digits = $rounded == floor($rounded) ? 0 : ($isMoney ? 2 : strlen(rtrim(substr(strrchr(number_format(abs($rounded), 4, '.', ''), '.') ?: '.', 1), '0')));
        $text = number_format($rounded, $digits);

        return match (true) {
            $unit === '' => $text,
            $isMoney && preg_match('/^\p{Sc}$/u', $unit) === 1 => str_starts_with($text, '-') ? '−'.$unit.substr($text, 1) : $unit.$text,
            default => "{$text} {$unit}",
        };
    }

    private static function bounded(string $text, int $longest): ?string
    {
        return $text !== '' && mb_strlen($text) <= $longest ? $text : null;
    }

    private static function number(string $typed, string $unit, float $least, float $most, bool $isWhole = false): ?string
    {
        $bare = trim(str_replace([$unit === '' ? "\0" : $unit, "\u{a0}", "\u{202f}", ' '], '', $typed));
        $bare = str_replace('−', '-', $bare);
        // "1,240.50" has commas between thousands, "1.240,50" points; "12,50" has one for the point.
        $bare = preg_match('/^-?\d{1,3}(\.\d{3})+,\d+$/D', $bare) === 1 ? str_replace('.', '', $bare) : $bare;
        $bare = preg_match('/^-?\d{1,3}(,\d{3})+(\.\d+)?$/D', $bare) === 1 ? str_replace(',', '', $bare) : str_replace(',', '.', $bare);
        if (preg_match('/^-?(\d{1,16}(\.\d{0,8})?|\.\d{1,8})$/D', $bare) !== 1) {
            return null;
        }
        $number = (float) $bare;
        if ($number < $least || $number > $most || ($isWhole && floor($number) !== $number)) {
            return null;
        }

        return rtrim(rtrim(number_format($number, 8, '.', ''), '0'), '.');
    }

    private static function range(string $typed, string $today): ?string
    {
        $days = array_map(fn (string $day): ?string => Days::read($day, $today), preg_split('~\s*/\s*|\s+to\s+|\s*–\s*|\s+-\s+~u', $typed) ?: []);
        if (count($days) === 1) {
            $days[] = $days[0];
        }

        return count($days) === 2 && $days[0] !== null && $days[1] !== null && $days[0] <= $days[1] ? "{$days[0]}/{$days[1]}" : null;
    }

    private static function time(string $typed): ?string
    {
        if (preg_match('/^(\d{1,2})(?:[:.h]? ?(\d{2}))? ?(am|pm)?$/iD', $typed, $m) !== 1) {
            return null;
        }
        $half = strtolower($m[3] ?? '');
        [$hour, $minute] = [(int) $m[1], (int) (($m[2] ?? '') === '' ? 0 : $m[2])];
        if ($half !== '' && ($hour < 1 || $hour > 12)) {
            return null;
        }
        $hour = $half === '' ? $hour : $hour % 12 + ($half === 'pm' ? 12 : 0);

        return $hour < 24 && $minute < 60 ? sprintf('%02d:%02d', $hour, $minute) : null;
    }

    /** @param  list<string>  $typed */
    private static function chosen(KindField $field, array $typed): ?string
    {
        $chosen = [];
        foreach ($typed as $one) {
            $found = array_values(array_filter($field->choices(), fn (string $choice): bool => mb_strtolower($choice) === mb_strtolower($one)));
            if ($found === []) {
                return null;
            }
            $chosen[] = $found[0];
        }
        // In the order in which they are offered.
        $kept = array_values(array_intersect($field->choices(), $chosen));

        return $kept === [] ? null : implode("\n", $kept);
    }

    private static function address(string $typed): ?string
    {
        $typed = preg_match('/^[^\s@:\/]+@[^\s@:\/]+$/uD', $typed) === 1 ? "mailto:{$typed}" : $typed;
        $typed = preg_match('/^[\w-]+(\.[\w-]+)+(\/\S*)?$/uD', $typed) === 1 ? "https://{$typed}" : $typed;

        return preg_match('/^[a-z][a-z0-9+.-]*:\S{1,2000}$/iuD', $typed) === 1 && Address::isSafe($typed) ? $typed : null;
    }

    private static function topic(string $typed, TopicMap $map): ?string
    {
        $id = str_starts_with($typed, Values::TOPIC) ? substr($typed, strlen(Values::TOPIC)) : $typed;

        return Ids::valid($id) && $map->has($id) ? Values::TOPIC.$id : null;
    }
}
