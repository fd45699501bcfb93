<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/** Ticking off, measuring back, and the sticks. */
final class CutTest extends BrowserTestCase
{
    public function testAPieceThatCameOutOtherwiseMovesTheOneThatDependsOnItOnThePhone(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Measured back');
        $this->openRun($browser, $job, 'clay-wash', 'cut');
        $row = fn (int $n): string => (string) $browser->executeScript("return document.querySelectorAll('.cut-row')[{$n}]?.innerText ?? ''");
        $this->until(fn (): bool => str_contains($row(1), 'came out otherwise'), 'it can be ticked off');
        $browser->executeScript("[...document.querySelectorAll('.cut-row')][1].querySelectorAll('button')[1].click()");
        $field = $this->seen($browser, '.tick-other input');
        $field->clear();
        $field->sendKeys('forty-nine');
        $this->button($browser, 'Reckon on from it');
        $this->until(fn (): bool => str_contains($row(1), 'is not a length'), 'it says what it did not understand');
        $field->clear();
        $field->sendKeys('49');
        $this->button($browser, 'Reckon on from it');
        $this->until(fn (): bool => str_contains($row(1), 'longer than it was laid out') && str_contains($row(3), 'shorter than it was laid out'), 'the next leg the same way takes it up');
        self::assertStringNotContainsString('than it was laid out', $row(2).$row(5), 'and no other');
        self::assertStringContainsString('6 of 7', $this->text($browser, '.cut-head'));
        $this->kept($browser);
        self::assertLessThanOrEqual(390, $browser->executeScript('return document.documentElement.scrollWidth'), 'nothing hangs over the side');
        $browser->get($this->address()."/jobs/{$job}/runs/clay-wash/cut/ticket");
        $this->until(fn (): bool => str_contains($this->text($browser, '.ticket'), 'cut already') && str_contains($this->text($browser, '.ticket'), 'other than it was laid out'), 'the ticket says it too');
    }

    public function testAnOffcutIsEnteredAndTakenOutAgain(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Offcuts'), 'clay-wash', 'cut');
        $this->until(fn (): bool => str_contains($this->text($browser, '.cut-plan'), 'no plan takes less'), 'the sticks are planned');
        $this->seen($browser, '.cut-group summary')->click();
        $this->seen($browser, '#stock-pvc-dwv-40-2-length')->sendKeys("5'6");
        $browser->findElement(WebDriverBy::cssSelector('.cut-group input[name=count]'))->sendKeys('many');
        $this->button($browser, 'Cut from it too');
        $this->until(fn (): bool => str_contains($this->text($browser, '.cut-group'), 'is a whole number'), 'a count that is none is said');
        $count = $browser->findElement(WebDriverBy::cssSelector('.cut-group input[name=count]'));
        $count->clear();
        $count->sendKeys('2');
        $this->button($browser, 'Cut from it too');
        $this->until(fn (): bool => str_contains($this->text($browser, '.cut-station'), 'not enough sticks'), 'two short ones do not hold it all');
        $this->button($browser, 'Undo');
        $this->until(fn (): bool => str_contains($this->text($browser, '.cut-plan'), 'no plan takes less'), 'as it was');
        $this->until(fn (): bool => str_contains($this->text($browser, '.to-buy'), 'long-sweep 90') && str_contains($this->text($browser, '.to-buy'), 'not the 2 of'), 'what to buy, and what it is not');
    }

    public function testAListOfSticksIsTakenInAndAWrongOneChangesNothing(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'List of sticks'), 'clay-wash', 'cut');
        $this->until(fn (): bool => str_contains($this->text($browser, '.cut-plan'), 'no plan takes less'), 'the sticks are planned');
        $file = (string) tempnam(sys_get_temp_dir(), 'sticks').'.csv';
        file_put_contents($file, "system,size,length (mm),price,available\r\npvc-dwv-40,2,endless,,\r\n");
        $browser->findElement(WebDriverBy::cssSelector('.stock-file input'))->sendKeys($file);
        $this->until(fn (): bool => str_contains($this->text($browser, '.stock-file'), 'Row 2: endless is no length'), 'the row is said');
        file_put_contents($file, "system,size,length (mm),price,available\r\npvc-dwv-40,2,3048,11.25,\r\n");
        $browser->findElement(WebDriverBy::cssSelector('.stock-file input'))->sendKeys($file);
        $this->until(fn (): bool => str_contains($this->text($browser, '.stock-file'), '1 taken in'), 'it is taken in');
        $this->until(fn (): bool => str_contains($this->text($browser, '.to-buy'), 'Where a price is kept'), 'and has its price');
        unlink($file);
    }
}
