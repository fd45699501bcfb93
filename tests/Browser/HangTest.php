<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/** What holds a run. */
final class HangTest extends BrowserTestCase
{
    public function testOneLeftOutOpensAGapOneMoreClosesItAndItIsTakenBack(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Hangers');
        $this->openRun($browser, $job, 'clay-wash', 'hang');
        $rows = fn (): int => count($browser->findElements(WebDriverBy::cssSelector('.hang-row')));
        $this->until(fn (): bool => $rows() > 5, 'there are hangers');
        $all = $rows();
        self::assertStringNotContainsString('too far apart', $this->text($browser, '.hang-one'));
        $browser->executeScript('document.querySelectorAll(".hang-row")[5].click()');
        $this->until(fn (): bool => str_contains($this->text($browser, '.hang-one'), 'Hanger 6'), 'it is chosen');
        $this->button($browser, 'Leave it out');
        $this->until(fn (): bool => str_contains($this->text($browser, '.hang-one'), 'too far apart'), 'the gap is said');
        $this->kept($browser);
        $this->openRun($browser, $job, 'clay-wash', 'hang');
        $this->until(fn (): bool => $rows() === $all - 1, 'and kept');
        $browser->executeScript('document.querySelectorAll(".hang-row")[4].click()');
        $this->until(fn (): bool => str_contains($this->text($browser, '.hang-one'), 'too far apart') && str_contains($this->text($browser, '.hang-one'), 'Hanger 5'), 'the span before the gap');
        $this->button($browser, 'Set one between');
        $this->until(fn (): bool => $rows() === $all && ! str_contains($this->text($browser, '.hang-one'), 'too far apart'), 'one between closes it');
        $this->button($browser, 'Back to what is reckoned');
        $this->until(fn (): bool => ! str_contains($this->text($browser, '.hang-list'), 'set by hand'), 'as it was');
    }

    public function testTheStringIsSetOnThePhoneAndAWrongLengthIsSaid(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'String'), 'clay-wash', 'hang');
        $this->seen($browser, '.hang-settings summary')->click();
        $field = $this->seen($browser, '#ha-string');
        $field->clear();
        $field->sendKeys('three yards');
        $this->button($browser, 'Hang it so');
        $this->until(fn (): bool => str_contains($this->text($browser, '.hang-settings'), 'is not a length'), 'it says what it did not understand');
        $field->clear();
        $field->sendKeys('6 1/2');
        $this->button($browser, 'Hang it so');
        $this->until(fn (): bool => preg_match('/6\s*1\s*2\s*in/', $this->text($browser, '.hang-list ol')) === 1, 'the first hanger is measured so');
        self::assertLessThanOrEqual(390, $browser->executeScript('return document.documentElement.scrollWidth'), 'nothing hangs over the side');
    }
}
