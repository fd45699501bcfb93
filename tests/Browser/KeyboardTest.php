<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Key;

/** The whole way by keyboard alone: no click, no pointer. */
final class KeyboardTest extends BrowserTestCase
{
    public function testFromSignInToACutLengthAndBack(): void
    {
        $browser = $this->open();
        self::assertSame('email', $browser->switchTo()->activeElement()->getAttribute('id'));
        $this->keys($browser, 'lead@mill-row.example', Key::TAB, 'clay-wash', Key::ENTER);
        $this->seen($browser, '.job-row');
        $name = 'Keyboard '.bin2hex(random_bytes(3));
        $this->ownJob($browser, $name);
        $browser->navigate()->refresh();
        $this->until(fn (): bool => str_contains($this->text($browser, '.board'), $name), 'the job is not on the board');
        for ($i = 0; $i < 60 && $browser->switchTo()->activeElement()->getText() !== $name; $i++) {
            $this->keys($browser, Key::TAB);
        }
        self::assertSame($name, $browser->switchTo()->activeElement()->getText());
        $this->keys($browser, Key::ENTER);
        $this->seen($browser, '#call-out');

        $said = $this->callOut($browser);
        $before = $this->tags($browser);
        $tape = $this->text($browser, '.back');
        $this->keys($browser, Key::ESCAPE);
        self::assertSame('call-out', $browser->switchTo()->activeElement()->getAttribute('id'));
        $this->keys($browser, ' / 54 1/2 right at 1/4 per foot');
        $this->until(fn (): bool => count($this->tags($browser)) > count($before), 'no new piece on the fall line');
        $new = array_values(array_diff($this->tags($browser), $before));
        self::assertContains('piece 2E', $new, 'the next free letter');
        $this->until(
            fn (): bool => str_contains(
                $this->text($browser, '.back'),
                '4\' 6 1/2" to the right, falling 1/4 in per ft',
            ),
            'not read back',
        );
        self::assertNotSame($tape, $this->text($browser, '.back'));
        $this->keys($browser, Key::ENTER);
        $this->kept($browser);

        // Its cut length stands at the Cut station, reached by keyboard: 54 1/2 less the take-off of the bend.
        $this->keys($browser, Key::ALT.'5'.Key::NULL);
        $this->seen($browser, '.cut-station');
        $cuts = $this->text($browser, '.cut-station');
        self::assertStringContainsString('5 pieces to cut', $cuts);
        $this->keys($browser, Key::ALT.'2'.Key::NULL);
        $this->seen($browser, '#call-out');

        $browser->navigate()->refresh();
        $this->seen($browser, '.fall-line');
        self::assertContains('piece 2E', $this->tags($browser), 'still there after a reload');
        self::assertStringContainsString("right 4' 6 1/2 fall 1/4", $this->callOut($browser));

        $browser
            ->switchTo()
            ->activeElement()
            ->sendKeys(Key::CONTROL.'z'.Key::NULL);
        $this->until(fn (): bool => ! in_array('piece 2E', $this->tags($browser), true), 'undo did not take it away');
        self::assertSame($said, $this->callOut($browser));
        $this->kept($browser);

        $this->keys($browser, Key::ESCAPE);
        $this->keys($browser, ' / right 20 wibble');
        $this->until(
            static fn (): bool => $browser->executeScript(
                'return document.querySelector(".call-marks .bad")?.textContent',
            ) === 'wibble',
            'nonsense is not marked in place',
        );
        self::assertStringContainsString('Not understood', $this->text($browser, '.back'));
        self::assertContains('piece 2D', $this->tags($browser), 'what was there stays');
        $this->keys($browser, Key::ENTER);
        $this->kept($browser);
        $browser->navigate()->refresh();
        $this->seen($browser, '.fall-line');
        self::assertSame("{$said} / right 20 wibble", $this->callOut($browser), 'nothing is lost');
        $this->keys($browser, Key::ESCAPE, ...array_fill(0, 7, Key::BACKSPACE));
        $this->until(
            fn (): bool => in_array('piece 2F', $this->tags($browser), true),
            'mended, it is drawn; and the letter E is not used again',
        );
    }

    public function testTheFallLineIsWalkedAndReadAloud(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Walk'));
        $browser->executeScript('document.querySelector(".fall-panel").focus()');
        $said = fn (): string => $this->text($browser, '.fall-panel [aria-live]');
        $this->keys($browser, Key::ARROW_RIGHT);
        $this->until(static fn (): bool => str_starts_with($said(), 'joint 2.1'), 'the first joint');
        $this->keys($browser, Key::ARROW_RIGHT);
        $this->until(static fn (): bool => $said() === 'piece 2A, joint 2.1 to 2.2, leg 1', 'then the first piece');
        self::assertStringContainsString(
            'open',
            (string) $browser->executeScript('return document.querySelector(".leg").className'),
            'its leg is open',
        );
        $this->keys($browser, Key::ARROW_RIGHT, Key::ARROW_RIGHT, Key::ARROW_RIGHT);
        $this->until(static fn (): bool => str_starts_with($said(), 'piece 2B'), 'across a bend to the next piece');
        $this->keys($browser, Key::ARROW_LEFT);
        $this->until(static fn (): bool => str_starts_with($said(), 'joint 2.3, into the'), 'and back');
        $this->keys($browser, Key::ARROW_UP);
        $this->until(static fn (): bool => str_starts_with($said(), 'piece'), 'up to the rail of letters');
        $this->keys($browser, Key::ARROW_DOWN, Key::ARROW_DOWN);
        $this->until(
            static fn (): bool => $browser->executeScript('return document.activeElement.closest(".finds") !== null') ===
                true,
            'down to the findings',
        );
        $this->keys($browser, Key::ESCAPE);
        self::assertSame('call-out', $browser->switchTo()->activeElement()->getAttribute('id'));
    }

    public function testTheFirstTabLeadsPastTheHeadAndEveryPageHasATitleOfItsOwn(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->seen($browser, '.board');
        $this->until(static fn (): bool => $browser->getTitle() === 'All jobs · Fall Bend', 'the board');
        $base = rtrim($browser->getCurrentURL(), '/');
        $browser->navigate()->to("{$base}/bench/catalogue");
        $this->seen($browser, '.bench');
        $this->until(static fn (): bool => $browser->getTitle() === 'Catalog · Bench · Fall Bend', 'the Bench');
        $this->keys($browser, Key::TAB);
        self::assertSame('To the content', $browser->switchTo()->activeElement()->getText());
        $this->keys($browser, Key::ENTER);
        self::assertSame('main', $browser->switchTo()->activeElement()->getTagName());
        $browser->navigate()->to("{$base}/nowhere/at-all");
        $this->until(
            fn (): bool => str_contains($this->text($browser, 'main'), 'There is no such page'),
            'an address that names nothing says so',
        );
        $browser->navigate()->to("{$base}/start/trap/paper");
        $this->until(
            static fn (): bool => str_starts_with($browser->getTitle(), 'A new trap between'),
            'a task on paper',
        );
    }
}
