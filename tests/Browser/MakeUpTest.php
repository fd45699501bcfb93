<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use PHPUnit\Framework\Attributes\DataProvider;

/** Two ends, and what leads from one to the other. */
final class MakeUpTest extends BrowserTestCase
{
    public function testAWayIsLookedForSeenTakenIntoTheRunAndTakenBack(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Ways');
        $this->openRun($browser, $job);
        $said = $this->callOut($browser);
        self::assertStringContainsString('round the pier', $said);
        $this->openRun($browser, $job, 'glaze', 'make-up');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.mu-order'), 'onto joint'),
            'the order that the run goes together in',
        );
        $this->button($browser, 'Look for ways');
        $this->until(
            fn (): bool => count($browser->findElements(WebDriverBy::cssSelector('.mu-way'))) > 1,
            'there are ways',
        );
        self::assertStringContainsString('sequences of up to', $this->text($browser, '.mu-head'));
        $this->until(
            fn (): bool => count($browser->findElements(WebDriverBy::cssSelector('.mu-picture svg'))) > 0,
            'the first is drawn in place',
        );
        $first = $this->text($browser, '.mu-marks');
        self::assertStringContainsString('from plumb', $first);
        $this->tap($browser, '.mu-way', '2');
        $this->until(fn (): bool => $this->text($browser, '.mu-marks') !== $first, 'another one has other marks');
        $this->tap($browser, '.mu-way', '1');
        $this->button($browser, 'Take it into the run');
        $this->until(fn (): bool => ! in_array($this->callOut($browser), ['', $said], true), 'it is in the run');
        $this->kept($browser);
        $this->button($browser, 'Undo');
        $this->until(fn (): bool => $this->callOut($browser) === $said, 'and taken back as any edit');
    }

    public function testAFittingIsCutIntoALineThatStandsFromMarksToOrderOnThePhone(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Cut in'), 'mop', 'make-up');
        $this->button($browser, 'Cut into a line that stands');
        $this->seen($browser, 'select[name=standing] option[value=floor-hub]')->click();
        $this->seen($browser, '#ci-length')->sendKeys("8'");
        $this->button($browser, 'Where to cut');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.cut-in .mu-form'), 'how far from its upstream end'),
            'what is missing is asked for',
        );
        $this->seen($browser, '#ci-centre')->sendKeys("4'");
        $this->button($browser, 'Where to cut');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.ci-answer'), 'measure the'),
            'nothing is cut by what nobody measured',
        );
        self::assertSame(
            [],
            $browser->findElements(WebDriverBy::cssSelector('.ci-answer svg.cutin')),
            'and no mark is drawn',
        );
        foreach (['#ci-in' => '2 3/8', '#ci-out' => '4 1/4', '#ci-insertion' => '1'] as $field => $length) {
            $this->seen($browser, $field)->sendKeys($length);
        }
        $this->button($browser, 'Where to cut');
        $this->until(
            fn (): bool => count($browser->findElements(WebDriverBy::cssSelector('.ci-answer svg.cutin'))) === 1,
            'the cuts are drawn',
        );
        $answer = $this->text($browser, '.ci-answer');
        self::assertStringContainsString('Loose once it is cut', $answer);
        self::assertGreaterThan(
            strpos($answer, 'Hang the downstream side'),
            strpos($answer, 'Cut on the waste side of the upstream mark'),
            'what is loose hangs first',
        );
        self::assertLessThanOrEqual(
            390,
            $browser->executeScript('return document.documentElement.scrollWidth'),
            'nothing hangs over the side',
        );
    }

    public function testATrapIsFittedByWhatWasMeasuredAndAWrongKindIsSaid(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Trap'), 'glaze', 'make-up');
        $this->button($browser, 'Fit a trap');
        foreach (['#tf-ahead' => '14', '#tf-down' => '7', '#tf-tail' => '6'] as $field => $length) {
            $this->seen($browser, $field)->sendKeys($length);
        }
        $this->button($browser, 'Fit it');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.ci-answer'), 'measure the trap'),
            'without the trap in the hand nothing is cut',
        );
        self::assertStringNotContainsString('is cut', $this->text($browser, '.ci-answer'));
        foreach (
            [
                '#tf-tall' => '4',
                '#tf-reach' => '3 1/2',
                '#tf-elbow' => '3/4',
                '#tf-depth' => '1 1/2',
                '#tf-seal' => '2 1/2',
            ] as $field => $length
        ) {
            $this->seen($browser, $field)->sendKeys($length);
        }
        $this->button($browser, 'Fit it');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.ci-answer'), 'extend the tailpiece by 2 '),
            'the heights do not meet, and by how much',
        );
        self::assertCount(1, $browser->findElements(WebDriverBy::cssSelector('svg.trapfit')));
        $this->seen($browser, 'select[name=pattern] option[value=s]')->click();
        $this->button($browser, 'Fit it');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.ci-answer'), 'trap not taken here'),
            'an S trap is refused',
        );
    }

    public function testWhatWasMeasuredIsLedOnToOnThePhoneAndAWrongLengthIsSaid(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Measured');
        $this->openRun($browser, $job, 'mop', 'make-up');
        $this->button($browser, 'on from the end');
        $this->seen($browser, '#mu-along')->sendKeys('3 yards');
        $this->button($browser, 'Look for ways');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.mu-form'), 'is not a length'),
            'it says what it did not understand',
        );
        $along = $this->seen($browser, '#mu-along');
        $along->clear();
        $along->sendKeys("4'");
        $this->seen($browser, '#mu-over')->clear();
        $this->seen($browser, '#mu-over')->sendKeys('20');
        $this->seen($browser, '#mu-down')->sendKeys('3');
        $this->button($browser, 'Look for ways');
        $this->until(
            fn (): bool => count($browser->findElements(WebDriverBy::cssSelector('.mu-way'))) > 0,
            'there are ways',
        );
        self::assertLessThanOrEqual(
            390,
            $browser->executeScript('return document.documentElement.scrollWidth'),
            'nothing hangs over the side',
        );
    }

    /**
     * @return iterable<string, array{string, string, string, string}> run, what was measured, what is marked, the step
     *     that closes it
     */
    public static function demo(): iterable
    {
        yield 'an odd angle into the clay yard drain' => [
            'mop',
            'Odd angle into the yard drain',
            'Bend 2',
            'Take it into the run',
        ];
        yield 'the wye that it goes into' => [
            'mop',
            'Wye into the clay yard drain',
            'First mark',
            'roll it back on itself',
        ];
        yield 'a plastic branch cut into the iron line' => [
            'clay-wash',
            'Plastic branch into the iron line',
            'First mark',
            'Hang the downstream side too',
        ];
        yield 'the shower past an engineered joist' => [
            'flat-shower',
            'Under the engineered joist',
            'Bend 2',
            'Take it into the run',
        ];
        yield 'a mop sink over a floor outlet' => [
            'mop',
            'Mop sink over its floor outlet',
            'Riser',
            'Lead the vent up',
        ];
    }

    #[DataProvider('demo')]
    public function testWhatTheDemoMeasuredIsFollowedOnThePhoneFromMarksToOrder(
        string $run,
        string $name,
        string $mark,
        string $step,
    ): void {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Kept'), $run, 'make-up');
        $this->tap($browser, '.mu-kept-one', $name);
        $this->until(
            fn (): bool => str_contains($this->text($browser, 'main.station'), $mark),
            'its marks are there without a field filled in',
        );
        self::assertStringContainsString($step, $this->text($browser, 'main.station'));
        self::assertLessThanOrEqual(
            390,
            $browser->executeScript('return document.documentElement.scrollWidth'),
            'nothing hangs over the side',
        );
    }

    public function testWhatWasMeasuredIsKeptInTheJobChangedAndTakenOut(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Keeping');
        $this->openRun($browser, $job, 'glaze', 'make-up');
        $this->button($browser, 'Look for ways');
        $this->until(
            fn (): bool => count($browser->findElements(WebDriverBy::cssSelector('.mu-keep input'))) === 1,
            'it can be kept',
        );
        $this->seen($browser, '.mu-keep input')->sendKeys('Round the pier');
        $this->button($browser, 'Keep it in the job');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.mu-kept'), 'Round the pier'),
            'it stands under its name',
        );
        $this->kept($browser);
        $this->openRun($browser, $job, 'glaze', 'make-up');
        $this->tap($browser, '.mu-kept-one', 'Round the pier');
        $this->until(
            fn (): bool => count($browser->findElements(WebDriverBy::cssSelector('.mu-way'))) > 0,
            'opened again it is looked up',
        );
        $this->button($browser, 'Take it out');
        $this->until(
            fn (): bool => $browser->findElements(WebDriverBy::cssSelector('.mu-kept-one')) === [],
            'it is gone',
        );
        $this->button($browser, 'Undo');
        $this->until(fn (): bool => str_contains($this->text($browser, '.mu-kept'), 'Round the pier'), 'and back');
    }

    public function testTheTwoEndsArePickedOnTheDrawing(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Picking'), 'mop', 'make-up');
        $piece = static fn (
            string $letter,
        ): string => "document.querySelector('.mu-picture svg.iso [data-tag=\"piece {$letter}\"]').dispatchEvent(new MouseEvent('click', {bubbles: true}))";
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.mu-picked'), 'From leg 1 to leg 4'),
            'all of the run at first',
        );
        $browser->executeScript($piece('3B'));
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.mu-picked'), 'From leg 2 to leg 4'),
            'the upper one first',
        );
        $browser->executeScript($piece('3D'));
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.mu-picked'), 'From leg 2 to leg 3'),
            'then the lower one',
        );
        $this->button($browser, 'Look for ways');
        $this->until(
            fn (): bool => count($browser->findElements(WebDriverBy::cssSelector('.mu-way'))) > 0,
            'between those two',
        );
    }
}
