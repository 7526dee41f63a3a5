<?php

declare(strict_types=1);

namespace Tests\Support;

use ChalkTree\Edit\Edits;
use ChalkTree\Map\Ids;

/**
 * Requests that nobody would send by mistake: to every route of the API, with bodies of wrong kinds, depths, sizes and
 * signs, as a person with maps and as nobody. A seed repeats them.
 */
final class Hostile
{
    private readonly Chance $chance;

    /** @param  array<string, string>  $ids  what stands in a route's braces, by name */
    public function __construct(int $seed, private readonly array $ids)
    {
        $this->chance = new Chance($seed);
    }

    /**
     * @param  list<string>  $routes  "METHOD path/{map}"
     * @return iterable<array{method: string, path: string, body: string, headers: list<string>}>
     */
    public function requests(array $routes, int $each): iterable
    {
        foreach ($routes as $route) {
            [$method, $uri] = explode(' ', $route, 2);
            for ($i = 0; $i < $each; $i++) {
                yield ['method' => $method, 'path' => $this->path($uri).$this->query(), ...$this->body($uri)];
            }
        }
    }

    private function path(string $uri): string
    {
        return '/'.preg_replace_callback('/\{(\w+)\}/', fn (array $m): string => match (true) {
            $this->chance->yes(75) => $this->ids[$m[1]] ?? '0',
            default => rawurlencode((string) $this->chance->pick(['0', '-1', '..', '../..', "'; drop table maps; --", "\u{202e}", str_repeat('9', 30), Ids::next(), '%00', '{}', ' '])),
        }, $uri);
    }

    private function query(): string
    {
        return $this->chance->pick(['', '', '', '?since=0', '?since=99999999999999999999', '?since[]=1', '?board=%00', '?board[]=day', '?to[]=svg', '?to=png&width=99999', '?to=svg&topic=x', '?pane=third', '?id[]=x', '?words='.str_repeat('a', 3000), '?words[a][b]=c', '?before=-1', '?%FF=%FE', '?name=x.json', '?name=x.opml&folder=..', '?name[]=x']);
    }

    /** @return array{body: string, headers: list<string>} */
    private function body(string $uri): array
    {
        $json = ['Content-Type: application/json'];

        return match ($this->chance->int(1, 16)) {
            1 => ['body' => '', 'headers' => $json],
            2 => ['body' => $this->chance->pick(['{', '[', 'null', '1', '"x"', '[]', '{"a":}', "\xff\xfe", "{\"a\":\"\xc3\x28\"}", "\0", 'nul']), 'headers' => $json],
            3 => ['body' => str_repeat($this->chance->pick(['[', '{"a":']), $this->chance->pick([600, 30_000])), 'headers' => $json],
            4 => ['body' => '{"email":"'.str_repeat('a', $this->chance->pick([300, 20_000, 400_000])).'"}', 'headers' => $json],
            5 => ['body' => (string) gzencode(str_repeat(' ', $this->chance->pick([10, 3_000_000])).'{"since":0,"edits":[]}'), 'headers' => [...$json, 'Content-Encoding: gzip']],
            6 => ['body' => 'not gzip', 'headers' => [...$json, 'Content-Encoding: gzip']],
            7 => ['body' => str_repeat('a=1&', 5000), 'headers' => ['Content-Type: application/x-www-form-urlencoded']],
            8 => ['body' => "--x\r\nContent-Disposition: form-data; name=\"f\"; filename=\"f\"\r\n\r\n".str_repeat('x', 5000)."\r\n--x--", 'headers' => ['Content-Type: multipart/form-data; boundary=x']],
            9 => ['body' => (string) json_encode(['html' => str_repeat($this->chance->pick(['<b>', '<div>', '<table><tr><td>', '<ul><li>']), 3000), 'text' => '']), 'headers' => $json],
            10 => ['body' => (string) json_encode(['find' => ['text' => $this->chance->pick(['(?:a?){14}[bc]', '(a|a)*$', '(((((', '[', '\\', '(?R)', str_repeat('(', 200), '.*.*.*x']), 'pattern' => true], 'with' => 'x', 'hits' => [$this->ids['map'] => ['x.title.0']]]), 'headers' => $json],
            11 => ['body' => $this->chance->pick(['<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "b">]><opml/>', '<opml><body>'.str_repeat('<outline text="a">', 3000), '{"format":"chalk-tree-map","version":1}', str_repeat("\t", 2000).'deep', str_repeat('#', 9000), "---\n---\n"]), 'headers' => ['Content-Type: text/plain']],
            12, 13 => ['body' => (string) json_encode(['since' => $this->chance->pick([0, -1, 'x', null, 1e30, []]), 'edits' => array_map(fn (): mixed => $this->edit(), range(1, $this->chance->int(1, 4)))], JSON_PARTIAL_OUTPUT_ON_ERROR), 'headers' => $json],
            14 => ['body' => (string) json_encode(['edit' => $this->edit()], JSON_PARTIAL_OUTPUT_ON_ERROR), 'headers' => $json],
            default => ['body' => (string) json_encode($this->fields(), JSON_PARTIAL_OUTPUT_ON_ERROR), 'headers' => $json],
        };
    }

    /** @return array<string, mixed> fields that routes know, with anything in them */
    private function fields(): array
    {
        $names = ['email', 'name', 'password', 'token', 'title', 'starter', 'folder', 'parent', 'favourite', 'find', 'with', 'hits', 'fields', 'topics', 'since', 'edits', 'folded', 'outlineFolded', 'chosen', 'scope', 'outlineScope', 'text', 'html', 'lines', 'as', 'id', 'edit', 'alone', 'source', 'headings', 'board'];
        $fields = [];
        for ($n = $this->chance->int(1, 8); $n > 0; $n--) {
            $fields[$this->chance->pick($names)] = $this->value();
        }

        return $fields;
    }

    private function value(int $deep = 0): mixed
    {
        return match ($this->chance->int(1, $deep > 3 ? 9 : 11)) {
            1 => null,
            2 => $this->chance->yes(50),
            3 => $this->chance->pick([0, -1, PHP_INT_MAX, PHP_INT_MIN, 1.5, 1e308]),
            4 => '',
            5 => $this->chance->pick(["\0", "\u{202e}", '../../etc/passwd', '<script>alert(1)</script>', "a\r\nX-Evil: 1", '${7*7}', '{{7*7}}', "' or 1=1 --", '%00', "\u{fffe}"]),
            6 => str_repeat('x', $this->chance->pick([201, 3000])),
            7 => $this->ids['map'] ?? '',
            8 => Ids::next(),
            9 => $this->chance->title(),
            10 => array_map(fn (): mixed => $this->value($deep + 1), range(1, $this->chance->int(1, 3))),
            default => ['x' => $this->value($deep + 1), 'text' => $this->value($deep + 1), 'pattern' => true],
        };
    }

    private function edit(): mixed
    {
        if ($this->chance->yes(10)) {
            return $this->value();
        }
        $class = $this->chance->pick(Edits::ALL);
        $edit = ['name' => $this->chance->yes(90) ? $class::name() : $this->value(), 'id' => $this->chance->yes(80) ? Ids::next() : $this->value()];
        foreach (['topics', 'topic', 'parent', 'before', 'after', 'title', 'caption', 'note', 'width', 'side', 'as', 'to', 'from', 'by', 'way', 'seq', 'find', 'with', 'numbering', 'x', 'y', 'arrangement', 'lines', 'first', 'second', 'separator', 'step', 'of'] as $name) {
            if ($this->chance->yes(22)) {
                $edit[$name] = $this->chance->yes(45) ? $this->chance->pick([$this->ids['topic'] ?? '', [$this->ids['topic'] ?? ''], [$this->ids['root'] ?? '', $this->ids['topic'] ?? ''], 'title', 1]) : $this->value();
            }
        }

        return $edit;
    }
}
