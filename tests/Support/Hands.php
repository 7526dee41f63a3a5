<?php

declare(strict_types=1);

namespace Tests\Support;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** What a person does with the keyboard and the mouse. */
trait Hands
{
    /** Goes by names through the menu that is about the map as a whole. */
    public function menuOfMap(string ...$names): self
    {
        $this->find('.bar .name')->click();
        foreach ($names as $name) {
            $this->press($name);
        }

        return $this;
    }

    /** Does what goes by this name, or goes to the topic of it, by the box that finds anything. */
    public function act(string $name): self
    {
        $this->keys('Mod+j')->waitFor('.palette')->type($name);
        $this->waitUntil(fn (): bool => stripos((string) $this->script('return document.querySelector(".palette li.current span")?.innerText'), $name) === 0, "“{$name}” to be found");

        return $this->keys('Enter')->saved();
    }

    /** Opens the context menu on a topic of the board, as the right mouse button does. */
    public function menuOn(string $title): self
    {
        $box = $this->boxOf($title);
        $this->rightClick($box['x'] + $box['w'] / 2, $box['y'] + $box['h'] / 2);

        return $this;
    }

    public function rightClick(float $x, float $y): self
    {
        $this->pointer('mousePressed', $x, $y, ['button' => 'right', 'buttons' => 2]);
        $this->pointer('mouseReleased', $x, $y, ['button' => 'right']);

        return $this;
    }

    /** Presses keys one after the other, wherever the focus is; "Mod+z" and the like are pressed together. */
    public function keys(string ...$keys): self
    {
        $names = ['Mod' => WebDriverKeys::CONTROL, 'Alt' => WebDriverKeys::ALT, 'Shift' => WebDriverKeys::SHIFT];
        $presses = [];
        foreach ($keys as $key) {
            if ($key === 'Shift+F10') {
                // The menu key, which ChromeDriver's actions do not make a menu of.
                $presses === [] ?: $this->perform($presses);
                $presses = [];
                foreach (['rawKeyDown', 'keyUp'] as $type) {
                    $this->tools('Input.dispatchKeyEvent', ['type' => $type, 'key' => 'F10', 'code' => 'F10', 'windowsVirtualKeyCode' => 121, 'modifiers' => 8]);
                }

                continue;
            }
            $parts = $key === '+' ? ['+'] : explode('+', $key);
            $last = array_pop($parts);
            $name = WebDriverKeys::class.'::'.strtoupper((string) preg_replace('/(?<=[a-z])(?=[A-Z])/', '_', $last));
            $last = strlen($last) > 1 && defined($name) ? constant($name) : $last;
            $all = [...array_map(fn (string $part): string => $names[$part], $parts), $last];
            foreach ($all as $one) {
                $presses[] = ['keyDown', $one];
            }
            foreach (array_reverse($all) as $one) {
                $presses[] = ['keyUp', $one];
            }
        }

        return $presses === [] ? $this : $this->perform($presses);
    }

    /** Types text as it is. */
    public function type(string $text): self
    {
        // Other letters and line breaks are ChromeDriver's to make keys of.
        if (preg_match('/^[ -~]+$/D', $text) !== 1) {
            $this->driver->getKeyboard()->sendKeys($text);

            return $this;
        }

        return $this->perform(array_merge(...array_map(fn (string $letter): array => [['keyDown', $letter], ['keyUp', $letter]], str_split($text))));
    }

    /**
     * Presses and releases keys, all in one request: each of its own would take longer than what most keys do.
     *
     * @param  list<array{string, string}>  $presses  what, and which key
     */
    private function perform(array $presses): self
    {
        $actions = array_map(fn (array $press): array => ['type' => $press[0], 'value' => $press[1]], $presses);
        $this->driver->executeCustomCommand('/session/:sessionId/actions', 'POST', ['actions' => [['type' => 'key', 'id' => 'keyboard', 'actions' => $actions]]]);

        return $this;
    }

    /** Clicks the button or link that says or is called this. */
    public function press(string $name): self
    {
        $quoted = "concat('".str_replace("'", "', \"'\", '", $name)."', '')";
        $path = "(//button | //a | //*[@role='button'] | //*[contains(@class, 'n-dropdown-option-body')] | //*[contains(@class, 'n-radio-button')] | //*[contains(@class, 'n-radio') or contains(@class, 'n-checkbox')])"
            ."[normalize-space(.) = {$quoted} or starts-with(normalize-space(.), concat({$quoted}, '  ·')) or starts-with(normalize-space(.), concat({$quoted}, ' ·')) or @aria-label = {$quoted} or .//*[contains(@class, 'menu-line')]/span[1][normalize-space(.) = {$quoted}]]";
        $this->waitUntil(function () use ($path): bool {
            foreach ($this->driver->findElements(WebDriverBy::xpath($path)) as $element) {
                if ($element->isDisplayed()) {
                    $element->click();

                    return true;
                }
            }

            return false;
        }, "a button called {$name}");

        return $this;
    }

    /** Clicks on a topic on the board. */
    public function pick(string $text, int $modifiers = 0): self
    {
        $box = $this->boxOf($text);
        $at = [$box['x'] + $box['w'] / 2, $box['y'] + $box['h'] / 2];

        return $this->pointer('mousePressed', ...$at, more: ['modifiers' => $modifiers])->pointer('mouseReleased', ...$at, more: ['modifiers' => $modifiers]);
    }

    /** Drags from one point of the window to others, and lets go unless told not to. */
    public function drag(array $from, array $to, bool $release = true): self
    {
        $this->pointer('mousePressed', ...$from);
        for ($i = 1; $i <= 8; $i++) {
            $this->pointer('mouseMoved', $from[0] + ($to[0] - $from[0]) * $i / 8, $from[1] + ($to[1] - $from[1]) * $i / 8);
        }
        if ($release) {
            $this->pointer('mouseReleased', ...$to);
        }

        return $this;
    }

    public function pointer(string $type, float $x, float $y, array $more = []): self
    {
        $this->tools('Input.dispatchMouseEvent', $more + [
            'type' => $type,
            'x' => $x,
            'y' => $y,
            'button' => $type === 'mouseWheel' ? 'none' : 'left',
            'buttons' => $type === 'mouseReleased' ? 0 : 1,
            'clickCount' => 1,
        ]);

        return $this;
    }

    /** Presses one key as the system does, without waiting for what comes of it: a letter, "\n" for Enter or "\t" for Tab. */
    public function stroke(string $letter): self
    {
        [$key, $code, $text] = match ($letter) {
            "\n" => ['Enter', 13, "\r"],
            "\t" => ['Tab', 9, null],
            default => [$letter, mb_ord(mb_strtoupper($letter)), $letter],
        };
        $event = ['key' => $key, 'windowsVirtualKeyCode' => $code];
        $this->tools('Input.dispatchKeyEvent', ['type' => 'keyDown'] + $event + ($text === null ? [] : ['text' => $text]));
        $this->tools('Input.dispatchKeyEvent', ['type' => 'keyUp'] + $event);

        return $this;
    }
}
