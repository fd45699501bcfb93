<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverKeys as Key;

/** What a pipe is, what joins it to mine, and what the catalogue says: on the screen and on the phone. */
final class JoiningTest extends BrowserTestCase
{
    /** “Black, about 3-1/2 across, bell ends” leads to the right joint in at most eight taps, from the board on. */
    public function testAPersonWhoKnowsLittleGetsToTheJointInEightTaps(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $browser->executeScript('window.taps = 0; document.addEventListener("click", () => window.taps++, true)');
        $this->tap($browser, 'a.beside', 'Bench');
        $this->seen($browser, '.identify');
        $this->tap($browser, '.chip', 'black');
        $this->tap($browser, '.chip', '3 1/2');
        $this->tap($browser, '.chip', 'bell ends');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.next-check'), 'Does a magnet hold?'),
            'the next check tells iron from plastic',
        );
        $this->tap($browser, '.answers button', 'It holds');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.because .main-act'), 'Extra-heavy iron 3'),
            'it is named',
        );
        $this->tap($browser, '.because .main-act', 'What joins Extra-heavy iron 3 to mine');
        $this->tap($browser, '.mine .chip', 'PVC');
        $this->until(
            fn (): bool => $this->methods($browser) === ['Soil-pipe adapter', 'Hub gasket', 'Oakum and lead'],
            'the joints of a hub are offered, best first',
        );
        self::assertStringContainsString('gasket, extra heavy', $this->text($browser, '.method-list'));
        $taps = $browser->executeScript('return window.taps');
        self::assertIsInt($taps);
        self::assertGreaterThan(4, $taps);
        self::assertLessThanOrEqual(8, $taps);
        $small = $browser->executeScript(
            'return [...document.querySelectorAll(".identify button, .join-tab button, .join-tab select")].filter((e) => e.offsetHeight > 0 && e.offsetHeight < 44).map((e) => e.textContent)',
        );
        self::assertSame([], $small, 'every target takes a gloved thumb');
    }

    public function testWhatIsTappedWhileALengthIsReadIsNotLost(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $this->tap($browser, 'a.beside', 'Bench');
        $this->seen($browser, '.identify');
        $this->holdBack($browser, '/api/lengths');
        $this->tap($browser, '.chip', '3 1/2');
        $this->tap($browser, '.chip', 'black');
        $this->tap($browser, '.chip', 'bell ends');
        $this->letThrough($browser);
        $on = fn (): mixed => $browser->executeScript(
            'return [...document.querySelectorAll(".evidence .chip.on")].map((chip) => chip.textContent)',
        );
        $this->until(
            fn (): bool => array_diff(['3 1/2', 'black', 'bell ends'], (array) $on()) === [],
            'all three are known',
        );
    }

    public function testAnotherMethodMovesTheCutAndTheFallLine(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Method');
        $this->openRun($browser, $job, 'clay-wash', 'joints');
        $this->until(
            fn (): bool => $this->methods($browser) === ['Shielded coupling'],
            'the joint to the stack is open',
        );
        self::assertStringContainsString(
            'Rubber sleeve',
            $this->text($browser, '.method-list'),
            'what is refused stays, with its reason',
        );
        $this->openRun($browser, $job, 'floor', 'cut');
        $before = $this->text($browser, '.cut-row:nth-of-type(4)') ?: $this->text($browser, '.cut-station');
        self::assertStringContainsString('28', $before);
        $this->openRun($browser, $job, 'floor', 'joints');
        $this->until(fn (): bool => count($this->methods($browser)) === 3, 'a hub takes three');
        $drawn =
            $this->text($browser, '.fall-line').
            (string) $browser->executeScript('return document.querySelector(".fall-line").innerHTML.length');
        $this->tap($browser, '.method', 'Soil-pipe adapter');
        self::assertStringContainsString('measure first', $this->text($browser, '.consequences'));
        $this->tap($browser, '.joint-chosen .main-act', 'Join it this way');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.reg-row.lit'), 'Soil-pipe adapter'),
            'the register says so',
        );
        $this->until(
            fn (): bool => $this->text($browser, '.fall-line').
                (string) $browser->executeScript('return document.querySelector(".fall-line").innerHTML.length') !==
                $drawn,
            'the fall line is drawn anew',
        );
        $this->kept($browser);
        $this->openRun($browser, $job, 'floor', 'cut');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.cut-station'), 'measure first'),
            'the ticket has no length that nobody measured',
        );
    }

    public function testTheStepsAreFollowedOneByOne(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Steps'), 'floor', 'joints');
        $this->tap($browser, '.reg-row', 'C to hub in the floor');
        $this->until(fn (): bool => count($this->methods($browser)) === 3, 'the ways are shown');
        $this->tap($browser, '.joint-chosen .plain', 'Steps');
        $this->seen($browser, '.step-card .joint-section');
        self::assertStringContainsString('Clean the hub', $this->text($browser, '.step.now'));
        self::assertStringContainsString(
            'Old lead',
            $this->text($browser, '.step.now .caution'),
            'the caution stands in its step',
        );
        $this->tap($browser, '.step-acts .main-act', 'Done, next');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.step.now'), 'Bevel the end'),
            'one after another',
        );
        self::assertSame(
            'none',
            $browser->executeScript('return document.documentElement.scrollWidth > innerWidth ? "wider" : "none"'),
            'nothing is wider than the phone',
        );
    }

    public function testAnUnknownPipeIsIdentifiedAndTheJointFollows(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Look');
        $this->happened($browser, $job, [
            [
                'kind' => 'measured',
                'standing' => 'wall-stub',
                'evidence' => ['circumference_mm' => 346.075, 'reading_error_mm' => 3.175, 'magnet' => true],
            ],
        ]);
        $this->openRun($browser, $job, 'shower', 'look');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.lanes'), 'Service iron 4') &&
                str_contains($this->text($browser, '.next-check'), 'nearest joint'),
            'two irons share the reading',
        );
        $this->tap($browser, '.answers button', 'A flat band');
        $this->tap($browser, '.because .main-act', 'It is No-hub iron 4');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.stood-row.lit'), 'No-hub iron 4'),
            'it is known',
        );
        $this->kept($browser);
        $this->openRun($browser, $job, 'shower', 'joints');
        $this->until(
            fn (): bool => ($this->methods($browser)[0] ?? '') === 'Shielded coupling',
            'and what joins it is offered',
        );
        $this->tap($browser, '.head [aria-label=Undo]', '');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.method-list'), 'not known what stands there'),
            'undo takes it back',
        );
    }

    public function testAMeasuredNumberOfTheCatalogueIsOursAndTakenBack(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $browser->get($this->address().'/bench/catalogue');
        $this->seen($browser, '.cat-find input')->sendKeys('short turn');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.cat-row.lit'), '1/4 bend, short turn'),
            'found by its name',
        );
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.entry'), 'center to stop'),
            'with its numbers',
        );
        $this->tap($browser, '.numbers > div:nth-child(2) .plain', 'Measured');
        $this->seen($browser, '.measure-own input')->sendKeys('two and a bit'.Key::ENTER);
        $this->until(
            fn (): bool => $this->text($browser, '.measure-own .problem') !== '',
            'what is not a length is said so, and stays',
        );
        $this->seen($browser, '.measure-own input')
            ->clear()
            ->sendKeys('2 1/4'.Key::ENTER);
        $this->until(fn (): bool => $this->text($browser, '.cat-row.lit s') !== '', 'the old value is struck out');
        $browser->get($this->address().'/bench/own');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.own-row'), 'quarter/2'),
            'it stands among ours',
        );
        $this->tap($browser, '.own-row .plain', 'Take it back');
        $this->until(fn (): bool => $this->text($browser, '.own-row') === '', 'and is taken back');
    }

    /** @return list<string> names of the methods offered */
    private function methods(RemoteWebDriver $browser): array
    {
        /** @var list<string> $names */
        $names = $browser->executeScript(
            'return [...document.querySelectorAll(".method b")].map((b) => b.textContent)',
        );

        return $names;
    }
}
