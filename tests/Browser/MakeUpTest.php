<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/** Two ends, and what leads from one to the other. */
final class MakeUpTest extends BrowserTestCase
{
    public function testAWayIsLookedForSeenTakenIntoTheRunAndTakenBack(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Ways');
        $this->openRun($browser, $job, 'glaze', 'make-up');
        $this->until(fn (): bool => str_contains($this->text($browser, '.mu-order'), 'onto joint'), 'the order that the run goes together in');
        $this->button($browser, 'Look for ways');
        $this->until(fn (): bool => count($browser->findElements(WebDriverBy::cssSelector('.mu-way'))) > 1, 'there are ways');
        self::assertStringContainsString('sequences of up to', $this->text($browser, '.mu-head'));
        $this->until(fn (): bool => count($browser->findElements(WebDriverBy::cssSelector('.mu-picture svg'))) > 0, 'the first is drawn in place');
        $first = $this->text($browser, '.mu-marks');
        self::assertStringContainsString('from plumb', $first);
        $this->tap($browser, '.mu-way', '2');
        $this->until(fn (): bool => $this->text($browser, '.mu-marks') !== $first, 'another one has other marks');
        $this->tap($browser, '.mu-way', '1');
        $this->button($browser, 'Take it into the run');
        $this->until(fn (): bool => str_contains($browser->getCurrentURL(), '/route'), 'it is in the run');
        $taken = $this->callOut($browser);
        $this->kept($browser);
        $this->button($browser, 'Undo');
        $this->until(fn (): bool => $this->callOut($browser) !== $taken && str_contains($this->callOut($browser), 'round the pier'), 'and taken back as any edit');
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
        $this->until(fn (): bool => str_contains($this->text($browser, '.mu-form'), 'is not a length'), 'it says what it did not understand');
        $along = $this->seen($browser, '#mu-along');
        $along->clear();
        $along->sendKeys("4'");
        $this->seen($browser, '#mu-over')->clear();
        $this->seen($browser, '#mu-over')->sendKeys('20');
        $this->seen($browser, '#mu-down')->sendKeys('3');
        $this->button($browser, 'Look for ways');
        $this->until(fn (): bool => count($browser->findElements(WebDriverBy::cssSelector('.mu-way'))) > 0, 'there are ways');
        self::assertLessThanOrEqual(390, $browser->executeScript('return document.documentElement.scrollWidth'), 'nothing hangs over the side');
    }
}
