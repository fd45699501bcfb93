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
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.hang-one'), 'too far apart'),
            'the gap is said',
        );
        $this->kept($browser);
        $this->openRun($browser, $job, 'clay-wash', 'hang');
        $this->until(fn (): bool => $rows() === $all - 1, 'and kept');
        $browser->executeScript('document.querySelectorAll(".hang-row")[4].click()');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.hang-one'), 'too far apart') &&
                str_contains($this->text($browser, '.hang-one'), 'Hanger 5'),
            'the span before the gap',
        );
        $this->button($browser, 'Set one between');
        $this->until(
            fn (): bool => $rows() === $all && ! str_contains($this->text($browser, '.hang-one'), 'too far apart'),
            'one between closes it',
        );
        $this->button($browser, 'Back to what is reckoned');
        $this->until(fn (): bool => ! str_contains($this->text($browser, '.hang-list'), 'set by hand'), 'as it was');
    }

    public function testQuickTapsAllCountAndAHangerThatIsMovedPastAnotherStaysTheChosenOne(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Quick taps'), 'clay-wash', 'hang');
        $this->seen($browser, '.hang-row');
        $browser->executeScript('document.querySelectorAll(".hang-row")[5].click()');
        $at = fn (): string => $this->text($browser, '.hang-step output');
        $this->until(fn (): bool => str_contains($this->text($browser, '.hang-one'), 'Hanger 6'), 'it is chosen');
        $before = $at();
        $this->holdBack($browser, '/api/hang');
        $browser->executeScript(
            'for (let i = 0; i < 4; i++) document.querySelector("[aria-label=\'Move it downstream\']").click()',
        );
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.hang-list'), 'hangers'),
            'nothing is drawn yet',
        );
        $browser->executeScript('document.querySelector("[aria-label=\'Move it upstream\']").click()');
        $this->letThrough($browser);
        // Four half inches down, one back: from 11′ 11″ to 12′ 0 1/2″.
        $this->until(
            fn (): bool => $at() !== $before && preg_match('/12′\s*0\s*1\s*2/u', $at()) === 1,
            'every tap counts',
        );
        $browser->executeScript(
            'for (let i = 0; i < 50; i++) document.querySelector("[aria-label=\'Move it downstream\']").click()',
        );
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.hang-one'), 'Hanger 7') &&
                preg_match('/14′\s*1\s*1\s*2/u', $at()) === 1,
            'past the next one it is the same hanger, with another number',
        );
        $browser->executeScript(
            'for (let i = 0; i < 60; i++) document.querySelector("[aria-label=\'Move it downstream\']").click()',
        );
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.hang-one'), 'on a joint or a fitting'),
            'it stops where its leg ends, and that is no place for it',
        );
        self::assertStringContainsString('11 hangers', $this->text($browser, '.hang-list'), 'and is not lost there');
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
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.hang-settings'), 'is not a length'),
            'it says what it did not understand',
        );
        $field->clear();
        $field->sendKeys('6 1/2');
        $this->button($browser, 'Hang it so');
        $this->until(
            fn (): bool => preg_match('/6\s*1\s*2\s*in/', $this->text($browser, '.hang-list ol')) === 1,
            'the first hanger is measured so',
        );
        $this->seen($browser, 'select[name=framing] option[value=stud]')->click();
        $this->seen($browser, '#ha-every')->sendKeys('16');
        $this->button($browser, 'Hang it so');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.hang-list ol'), 'to the stud'),
            'where studs stand beside it, it is held at them',
        );
        self::assertLessThanOrEqual(
            390,
            $browser->executeScript('return document.documentElement.scrollWidth'),
            'nothing hangs over the side',
        );
    }

    public function testWhatIsReadIsHeldAgainstWhatItHasToBeAndPlacesAreMeasuredFromAWall(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Readings');
        $level = ['kind' => 'level', 'run' => 'clay-wash', 'leg' => 'l4'];
        $this->happened($browser, $job, [
            $level + ['at_mm' => 304.8, 'below_mm' => 101.6],
            $level + ['at_mm' => 939.8, 'below_mm' => 111.125],
        ]);
        $this->openRun($browser, $job, 'clay-wash', 'hang');
        $one = fn (): string => $this->text($browser, '.hang-one');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.hang-list'), "from the cellar's west wall"),
            'the demo measures one leg from a wall',
        );
        $browser->executeScript('document.querySelectorAll(".hang-row")[6].click()');
        $this->until(fn (): bool => str_contains($one(), 'Hanger 7'), 'it is chosen');
        $field = $this->seen($browser, '#ha-read');
        $field->clear();
        $field->sendKeys('4');
        $this->button($browser, 'Note it');
        $this->until(
            fn (): bool => str_contains($one(), 'too high') && str_contains($one(), 'hangs the wrong way'),
            'it rises between the two, and that is said',
        );
        $this->seen($browser, '#ha-read')
            ->clear()
            ->sendKeys('5');
        $this->button($browser, 'Note it');
        $this->until(fn (): bool => ! str_contains($one(), 'hangs the wrong way'), 'read again it falls');
        $this->seen($browser, '.hang-face summary')->click();
        $name = $this->seen($browser, '.hang-face input[name=face]');
        $name->clear();
        $name->sendKeys('the boiler plinth');
        $this->button($browser, 'Measure from it');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.hang-list'), 'from the boiler plinth'),
            'it is measured from there',
        );
        $file = (string) tempnam(sys_get_temp_dir(), 'levels').'.csv';
        file_put_contents(
            $file,
            "run,leg,from the leg's beginning (mm),\"string to crown, read (mm)\"\r\nclay-wash,9,304.8,100\r\n",
        );
        $browser->findElement(WebDriverBy::cssSelector('.table-in input'))->sendKeys($file);
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.table-in'), 'Row 2: there is no leg 9'),
            'the row is said',
        );
        file_put_contents(
            $file,
            "run,leg,from the leg's beginning (mm),\"string to crown, read (mm)\"\r\nclay-wash,4,939.8,130\r\n",
        );
        $browser->findElement(WebDriverBy::cssSelector('.table-in input'))->sendKeys($file);
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.table-in'), '1 taken in: level readings') &&
                str_contains($this->text($browser, '.hang-list'), 'too low'),
            'it is taken in',
        );
        unlink($file);
    }

    public function testFloorsPutClampsOnTheStackAndHangersAreTicksOnTheFallLine(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Floors'), 'stack', 'hang');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.hang-list'), 'standing on the floor'),
            'the demo says where the floors are',
        );
        $clamps = fn (): int => substr_count($this->text($browser, '.hang-list'), 'standing on the floor');
        $this->until(fn (): bool => $clamps() === 2, 'two floors, two clamps');
        $this->until(
            fn (): bool => count($browser->findElements(WebDriverBy::cssSelector('.fall-line .hanger-ticks path'))) ===
                count($browser->findElements(WebDriverBy::cssSelector('.hang-row'))),
            'one tick for each',
        );
        $this->seen($browser, '.hang-settings summary')->click();
        $field = $this->seen($browser, '#ha-storey');
        $field->clear();
        $field->sendKeys("5'");
        $this->button($browser, 'Hang it so');
        $this->until(fn (): bool => $clamps() === 4, 'more floors, more clamps');
        self::assertLessThanOrEqual(
            390,
            $browser->executeScript('return document.documentElement.scrollWidth'),
            'nothing hangs over the side',
        );
    }
}
