<?php

declare(strict_types=1);

namespace ChalkTree\Digest;

use ChalkTree\Text\InlineMarkdown;

/** A digest as a clean list, to be put into a letter or wherever text goes. */
final readonly class DigestText
{
    /** @param  list<DigestGroup>  $groups */
    public function __construct(private string $title, private array $groups, private bool $withTrail)
    {
    }

    public function plain(): string
    {
        $text = "{$this->title}\n";
        foreach ($this->groups as $group) {
            $text .= "\n".($group->title === '' ? '' : "{$group->title}\n");
            foreach ($group->lines as $line) {
                $text .= '- '.implode(' · ', [$this->mark($line).self::titled($line), ...$this->more($line)])."\n";
            }
        }

        return $text;
    }

    public function markdown(): string
    {
        $text = '# '.self::escaped($this->title)."\n";
        foreach ($this->groups as $group) {
            $text .= $group->title === '' ? "\n" : "\n## ".self::escaped($group->title)."\n\n";
            foreach ($group->lines as $line) {
                $mark = $line->progress === null ? '' : ($line->progress >= 100 ? '[x] ' : '[ ] ');
                $text .= "- {$mark}".implode(' · ', array_map(self::escaped(...), [self::titled($line), ...$this->more($line)]))."\n";
            }
        }

        return $text;
    }

    public function html(): string
    {
        $html = '<h2>'.self::safe($this->title).'</h2>';
        foreach ($this->groups as $group) {
            $html .= $group->title === '' ? '' : '<h3>'.self::safe($group->title).'</h3>';
            $html .= '<ul>'.implode('', array_map(function (DigestLine $line): string {
                $more = $this->more($line);

                return '<li>'.self::safe($this->mark($line).self::titled($line)).($more === [] ? '' : ' <small>'.self::safe(implode(' · ', $more)).'</small>').'</li>';
            }, $group->lines)).'</ul>';
        }

        return $html;
    }

    private function mark(DigestLine $line): string
    {
        return $line->progress === null ? '' : ($line->progress >= 100 ? '☑ ' : '☐ ');
    }

    /** @return list<string> */
    private function more(DigestLine $line): array
    {
        return [...$line->told, ...($this->withTrail && $line->trail !== [] ? [implode(' › ', $line->trail)] : [])];
    }

    private static function titled(DigestLine $line): string
    {
        return $line->title === '' ? 'Untitled' : $line->title;
    }

    /** One line, in which no sign means anything. */
    private static function escaped(string $text): string
    {
        return InlineMarkdown::escape((string) preg_replace('/\s+/u', ' ', $text));
    }

    private static function safe(string $text): string
    {
        return htmlspecialchars($text, ENT_QUOTES | ENT_SUBSTITUTE | ENT_HTML5);
    }
}
