<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Key;

/** Two people on one job, and a server that does not answer: nothing is lost. */
final class TogetherTest extends BrowserTestCase
{
    public function testTheSecondIsToldAndKeepsBoth(): void
    {
        [$first, $second, $job] = $this->both('Together');
        $this->say($first, ' / right 20');
        $this->kept($first);
        $this->say($second, ' / left 33');
        $this->seen($second, '[role=dialog]');
        self::assertStringContainsString('Changed by lead meanwhile', $this->text($second, '[role=dialog]'));
        $this->button($second, 'Save mine as a copy');
        $this->until(static fn (): bool => ! str_contains($second->getCurrentURL(), $job), 'no copy was opened');
        $this->until(
            fn (): bool => str_contains($this->text($second, '.job-name'), '(my copy)'),
            'the copy has its name',
        );
        $second->get(str_replace('/route', '', $second->getCurrentURL()).'/runs/glaze');
        $this->seen($second, '#call-out');
        self::assertStringContainsString("left 2' 9", $this->callOut($second), 'mine is in the copy');
        $this->openRun($second, $job);
        self::assertStringContainsString('right 20', $this->callOut($second), 'theirs stands in the job');
    }

    public function testWhatOneDoesOnSiteTheOtherSeesWithinFiveSecondsAndEachSeesWhoIsThere(): void
    {
        [$first, $second, $job] = $this->both('Both on site');
        $first->get("{$this->address()}/jobs/{$job}/runs/glaze/record");
        $second->get("{$this->address()}/jobs/{$job}/runs/glaze/record");
        $this->until(fn (): bool => str_contains($this->text($first, '.also-here'), '(Record)'), 'the first sees', 10);
        $this->until(fn (): bool => str_contains($this->text($second, '.also-here'), '(Record)'), 'the other', 10);
        $this->seen($second, '.record-form textarea');
        for ($i = 0; $i < 3; $i++) {
            $this->seen($first, '.record-form textarea')->sendKeys("seen soon {$i}");
            $this->tap($first, '.record-form button', 'Note it');
            $said = microtime(true);
            $this->until(
                fn (): bool => str_contains($this->text($second, '.station'), "seen soon {$i}"),
                'the other sees it',
                8,
            );
            self::assertLessThan(5.0, microtime(true) - $said);
        }
        $second->get("{$this->address()}/");
        $this->until(
            fn (): bool => ! str_contains($this->text($first, 'body'), 'Also here'),
            'whoever left is there no more',
            25,
        );
    }

    public function testTheSecondChoosesPieceByPiece(): void
    {
        [$first, $second, $job] = $this->both('Piece by piece');
        $first->get("{$this->address()}/jobs/{$job}/runs/glaze/route");
        $second->get("{$this->address()}/jobs/{$job}/runs/glaze/route");
        $this->seen($second, '#call-out');
        $this->say($first, ' / right 20');
        $this->kept($first);
        $first->get("{$this->address()}/jobs/{$job}/runs/clay-wash/route");
        $this->seen($first, '#call-out');
        $this->say($first, ' / left 14');
        $this->kept($first);
        $this->say($second, ' / left 33');
        $this->seen($second, '.side-by-side');
        $this->until(
            fn (): bool => str_contains($this->text($second, '.side-by-side'), 'right 20') &&
                str_contains($this->text($second, '.side-by-side'), "left 2' 9"),
            'both ways are said',
        );
        self::assertStringContainsString('Choose 1 more', $this->text($second, '[role=dialog]'));
        // What both changed is not chosen for anybody; of the other run theirs is.
        self::assertSame(
            ['theirs'],
            $second->executeScript(
                'return [...document.querySelectorAll(".side-by-side :checked")].map((one) => '.
                    '[...one.closest("fieldset").querySelectorAll("input")].indexOf(one) === 0 ? "mine" : "theirs")',
            ),
        );
        $second->executeScript(
            'document.querySelector(".side-by-side fieldset:not(:has(:checked)) input").click()',
        );
        $this->button($second, 'Put them together so');
        $this->kept($second);
        self::assertStringContainsString("left 2' 9", $this->callOut($second), 'mine was chosen');
        self::assertStringNotContainsString('right 20', $this->callOut($second));
        $second->get("{$this->address()}/jobs/{$job}/runs/clay-wash/route");
        $this->until(fn (): bool => str_contains($this->callOut($second), 'left'), 'theirs is there, too');
    }

    public function testTheSecondMayTakeTheirs(): void
    {
        [$first, $second] = $this->both('Theirs');
        $this->say($first, ' / right 20');
        $this->kept($first);
        $this->say($second, ' / left 33');
        $this->seen($second, '[role=dialog]');
        // A reload in the middle of it does not lose mine either.
        $second->navigate()->refresh();
        $this->seen($second, '[role=dialog]');
        $this->button($second, 'Take theirs');
        $this->until(fn (): bool => str_contains($this->callOut($second), 'right 20'), 'theirs is not shown');
        $this->say($second, ' / left 33');
        $this->kept($second);
        self::assertStringContainsString('left', $this->callOut($second));
    }

    public function testUndoneQuicklyStepByStepAndRightAfterAnEdit(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Undone'), 'clay-wash', 'hang');
        $this->seen($browser, '.hang-step output');
        $browser->executeScript('document.querySelectorAll(".hang-row")[6].click()');
        $this->until(fn (): bool => str_contains($this->text($browser, '.hang-one'), 'Hanger 7'), 'one is chosen');
        // Fractions are drawn.
        $at = static fn (): string => (string) $browser->executeScript(
            'return document.querySelector(".hang-step output").innerHTML',
        );
        $revision = fn (): string => $this->text($browser, '.kept .cap');
        $move = static fn (): mixed => $browser->executeScript(
            'document.querySelector("[aria-label=\'Move it downstream\']").click(); return null',
        );
        $places = [$before = $at()];
        foreach ([1, 2, 3] as $n) {
            $move();
            $this->until(
                fn (): bool => $at() !== $before && $revision() === 'Revision '.($n + 1),
                "moved {$n} times and kept",
            );
            $places[] = $before = $at();
        }
        $browser->executeScript('for (let i = 0; i < 2; i++) document.querySelector("[aria-label=Undo]").click()');
        $this->until(fn (): bool => $at() === $places[1], 'both steps are taken back');
        self::assertSame(
            [],
            $browser->findElements(WebDriverBy::cssSelector('[role=dialog]')),
            'nobody else changed it',
        );
        $this->kept($browser);
        // The answer to the edit is still under way when it is taken back.
        $this->holdBack($browser, '/api/evaluate');
        $move();
        $this->until(
            static fn (): bool => $browser->executeScript('return document.querySelector(".kept").dataset.saving') ===
                'pending',
            'it is not kept yet',
        );
        $browser->executeScript('document.querySelector("[aria-label=Undo]").click()');
        $this->letThrough($browser);
        $this->until(
            static fn (): bool => $browser->executeScript(
                'return document.querySelector("[aria-label=Redo]").disabled',
            ) === false,
            'it can be done again',
        );
        $this->until(fn (): bool => $at() === $places[1], 'that edit is taken back, and only that');
    }

    public function testWhatCannotBeKeptIsSaidAndTakenBackAndNothingElse(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Refused'), 'house');
        $this->until(fn (): bool => $this->callOut($browser) !== '', 'it is called out');
        $said = $this->callOut($browser);
        $this->say($browser, ' / right 20');
        $this->kept($browser);
        $more = $this->callOut($browser);
        self::assertNotSame($said, $more);
        $this->seen($browser, '#call-out')->sendKeys(Key::CONTROL.'a'.Key::NULL.Key::BACKSPACE.Key::TAB);
        $this->until(
            fn (): bool => str_contains(
                $this->text($browser, '#read-back'),
                'Flat stack enters House drain on a leg that is not there.',
            ),
            'which run hangs in the air',
        );
        self::assertSame('refused', $browser->executeScript('return document.querySelector(".kept").dataset.saving'));
        $this->button($browser, 'Undo');
        $this->until(fn (): bool => $this->callOut($browser) === $more, 'it is as it was kept last');
        $this->kept($browser);
        self::assertStringContainsString(
            'Revision 2',
            $this->text($browser, '.kept'),
            'and what was done before stays done',
        );
        $this->button($browser, 'Undo');
        $this->until(fn (): bool => $this->callOut($browser) === $said, 'until that is taken back too');
    }

    public function testWithoutAnAnswerNothingIsLost(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'No answer'));
        $this->say($browser, ' / right 20');
        $this->kept($browser);
        $this->devTools($browser, 'Network.enable', []);
        $this->network($browser, offline: true);
        $this->say($browser, ' / left 33');
        $this->until(
            static fn (): bool => $browser->executeScript('return document.querySelector(".kept").dataset.saving') ===
                'offline',
            'it does not say so',
        );
        self::assertStringContainsString('left 33', $this->callOut($browser).$this->text($browser, '.call-marks'));
        $this->resize($browser, 390, 844);
        self::assertSame(
            'Offline, stored on this device',
            $this->seen($browser, '.kept b')->getText(),
            'on the phone too',
        );
        self::assertStringContainsString(
            'Not read yet: the server does not answer.',
            $this->text($browser, '#read-back'),
            'what was read before is not shown as if it were this',
        );
        $this->network($browser);
        $this->kept($browser);
        self::assertStringContainsString('is read as', $this->text($browser, '#read-back'));
        $browser->navigate()->refresh();
        $this->seen($browser, '.fall-line');
        self::assertStringContainsString("left 2' 9", $this->callOut($browser));
    }

    /** @return array{RemoteWebDriver, RemoteWebDriver, string} */
    private function both(string $name): array
    {
        [$first, $second] = [$this->open(), $this->open()];
        $this->signIn($first);
        $this->signIn($second, 'apprentice');
        $job = $this->ownJob($first, $name);
        $this->openRun($first, $job);
        $this->openRun($second, $job);

        return [$first, $second, $job];
    }

    private function say(RemoteWebDriver $browser, string $more): void
    {
        $this->seen($browser, '#call-out')->sendKeys(Key::END.$more);
    }
}
