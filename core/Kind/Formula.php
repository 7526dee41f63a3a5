<?php

declare(strict_types=1);

namespace ChalkTree\Kind;

/**
 * An expression over fields, of our own: numbers, fields by name in brackets, + - * / and parentheses, and functions:
 * sum, mean, least, most and count of a field, over the topic and all below it ("sum([Cost], below)" leaves the topic
 * itself out); progress() and done() of the to-dos below; days([From], [To]) between two days, "today" among them;
 * round(x), smaller(x, y), larger(x, y). Parsed once; FormulaValue reckons it.
 */
final class Formula
{
    /** Letters. */
    public const LONGEST = 300;

    public const ROLL_UPS = ['sum', 'mean', 'least', 'most', 'count'];

    private const FUNCTIONS = [...self::ROLL_UPS, 'progress', 'done', 'days', 'round', 'smaller', 'larger'];

    private const DEEPEST = 30;

    /** @var list<string> */
    private array $tokens = [];

    private int $at = 0;

    private int $deep = 0;

    /**
     * What it says, as a tree.
     *
     * @throws FormulaProblem
     */
    public static function parsed(string $text): FormulaNode
    {
        /** @var array<string, FormulaNode|FormulaProblem> $known */
        static $known = [];
        if (! isset($known[$text])) {
            $known = array_slice($known, -200, preserve_keys: true);
            try {
                $known[$text] = (new self)->parse($text);
            } catch (FormulaProblem $problem) {
                $known[$text] = $problem;
            }
        }

        return $known[$text] instanceof FormulaProblem ? throw new FormulaProblem($known[$text]->getMessage()) : $known[$text];
    }

    private function parse(string $text): FormulaNode
    {
        if (trim($text) === '' || mb_strlen($text) > self::LONGEST) {
            throw new FormulaProblem($text === '' ? 'There is no formula yet.' : 'A formula has 1 to 300 letters.');
        }
        preg_match_all('~\s*(\[[^\[\]]{1,60}\]|\d{1,12}(?:\.\d{1,8})?|\p{L}+|[-+*/(),]|.)~us', $text, $m);
        $this->tokens = array_map(trim(...), $m[1]);
        $tree = $this->sum();
        if (isset($this->tokens[$this->at])) {
            throw new FormulaProblem("“{$this->tokens[$this->at]}” is not expected there.");
        }

        return $tree;
    }

    private function sum(): FormulaNode
    {
        if (++$this->deep > self::DEEPEST) {
            throw new FormulaProblem('This formula has too many parentheses.');
        }
        $left = $this->product();
        while (in_array($sign = $this->tokens[$this->at] ?? '', ['+', '-'], true)) {
            $this->at++;
            $left = new FormulaNode($sign, [$left, $this->product()]);
        }
        $this->deep--;

        return $left;
    }

    private function product(): FormulaNode
    {
        $left = $this->one();
        while (in_array($sign = $this->tokens[$this->at] ?? '', ['*', '/'], true)) {
            $this->at++;
            $left = new FormulaNode($sign, [$left, $this->one()]);
        }

        return $left;
    }

    private function one(): FormulaNode
    {
        $token = $this->next('A number or a field is missing at the end.');
        if ($token === '-') {
            return new FormulaNode('-', [new FormulaNode('number'), $this->one()]);
        }
        if ($token === '(') {
            $inside = $this->sum();
            $this->expect(')');

            return $inside;
        }
        if (str_starts_with($token, '[') && strlen($token) > 1) {
            return new FormulaNode('field', field: trim(substr($token, 1, -1)));
        }
        if (is_numeric($token)) {
            return new FormulaNode('number', number: (float) $token);
        }
        $word = mb_strtolower($token);
        if ($word === 'today') {
            return new FormulaNode('today');
        }
        if (in_array($word, self::FUNCTIONS, true)) {
            return $this->call($word);
        }

        throw new FormulaProblem(preg_match('/^\p{L}+$/u', $token) === 1
            ? "“{$token}” is not known here. Fields stand in brackets, as [{$token}]."
            : "“{$token}” is not expected there.");
    }

    private function call(string $word): FormulaNode
    {
        $this->expect('(');
        if (in_array($word, self::ROLL_UPS, true)) {
            $field = $this->one();
            if ($field->does !== 'field') {
                throw new FormulaProblem("“{$word}” wants a field in brackets.");
            }
            $isBelow = ($this->tokens[$this->at] ?? '') === ',';
            if ($isBelow) {
                $this->at++;
                $this->expect('below');
            }
            $this->expect(')');

            return new FormulaNode($word, field: $field->field, isBelow: $isBelow);
        }
        $wanted = match ($word) {
            'progress', 'done' => 0,
            'round' => 1,
            default => 2,
        };
        $given = [];
        for ($i = 0; $i < $wanted; $i++) {
            if ($i > 0) {
                $this->expect(',');
            }
            $given[] = $this->sum();
        }
        $this->expect(')');

        return new FormulaNode($word, $given);
    }

    private function expect(string $token): void
    {
        $found = $this->next("“{$token}” is missing at the end.");
        if (mb_strtolower($found) !== $token) {
            throw new FormulaProblem("“{$token}” is expected where “{$found}” stands.");
        }
    }

    private function next(string $otherwise): string
    {
        return $this->tokens[$this->at++] ?? throw new FormulaProblem($otherwise);
    }
}
