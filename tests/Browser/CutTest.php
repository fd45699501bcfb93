<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/** Ticking off, measuring back, and the sticks. */
final class CutTest extends BrowserTestCase
{
    public function testAPieceThatCameOutOtherwiseMovesTheOneThatDependsOnItOnThePhone(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Measured back');
        $this->openRun($browser, $job, 'clay-wash', 'cut');
        $row = fn (int $n): string => (string) $browser->executeScript(
            "return document.querySelectorAll('.cut-row')[{$n}]?.innerText ?? ''",
        );
        $this->until(fn (): bool => str_contains($row(1), 'Different length'), 'it can be ticked off');
        $browser->executeScript("[...document.querySelectorAll('.cut-row')][1].querySelectorAll('button')[1].click()");
        $field = $this->seen($browser, '.tick-other input');
        $field->clear();
        $field->sendKeys('forty-nine');
        $this->button($browser, 'Reckon on from it');
        $this->until(fn (): bool => str_contains($row(1), 'is not a length'), 'it says what it did not understand');
        $field->clear();
        $field->sendKeys('49');
        $this->button($browser, 'Reckon on from it');
        $this->until(
            fn (): bool => str_contains($row(1), 'longer than it was laid out') &&
                str_contains($row(3), 'shorter than it was laid out'),
            'the next leg the same way takes it up',
        );
        self::assertStringNotContainsString('than it was laid out', $row(2).$row(5), 'and no other');
        self::assertStringContainsString('6 of 7', $this->text($browser, '.cut-head'));
        $this->kept($browser);
        self::assertLessThanOrEqual(
            390,
            $browser->executeScript('return document.documentElement.scrollWidth'),
            'nothing hangs over the side',
        );
        $browser->get($this->address()."/jobs/{$job}/runs/clay-wash/cut/ticket");
        $this->until(
            fn (): bool => count($browser->findElements(WebDriverBy::cssSelector('.ticket .cut-box svg'))) === 1 &&
                str_contains($this->text($browser, '.ticket'), 'other than it was laid out'),
            'the ticket says it too',
        );
    }

    public function testAnOffcutIsEnteredAndTakenOutAgain(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Offcuts'), 'clay-wash', 'cut');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.cut-plan'), 'no plan takes less'),
            'the sticks are planned',
        );
        $this->seen($browser, '.cut-group summary')->click();
        $this->seen($browser, '#stock-pvc-dwv-40-2-length')->sendKeys("5'6");
        $browser->findElement(WebDriverBy::cssSelector('.cut-group input[name=count]'))->sendKeys('many');
        $this->button($browser, 'Cut from it too');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.cut-group'), 'is a whole number'),
            'a count that is none is said',
        );
        $count = $browser->findElement(WebDriverBy::cssSelector('.cut-group input[name=count]'));
        $count->clear();
        $count->sendKeys('2');
        $this->button($browser, 'Cut from it too');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.cut-station'), 'not enough sticks'),
            'two short ones do not hold it all',
        );
        $this->button($browser, 'Undo');
        $this->until(fn (): bool => str_contains($this->text($browser, '.cut-plan'), 'no plan takes less'), 'as it was');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.to-buy'), 'long-sweep 90') &&
                str_contains($this->text($browser, '.to-buy'), 'not the 2 of'),
            'what to buy, and what it is not',
        );
    }

    public function testAListOfSticksIsTakenInAndAWrongOneChangesNothing(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'List of sticks'), 'clay-wash', 'cut');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.cut-plan'), 'no plan takes less'),
            'the sticks are planned',
        );
        $file = (string) tempnam(sys_get_temp_dir(), 'sticks').'.csv';
        file_put_contents($file, "system,size,length (mm),price,available\r\npvc-dwv-40,2,endless,,\r\n");
        $browser->findElement(WebDriverBy::cssSelector('.table-in input'))->sendKeys($file);
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.table-in'), 'Row 2: endless is no length'),
            'the row is said',
        );
        file_put_contents($file, "system,size,length (mm),price,available\r\npvc-dwv-40,2,3048,11.25,\r\n");
        $browser->findElement(WebDriverBy::cssSelector('.table-in input'))->sendKeys($file);
        $this->until(fn (): bool => str_contains($this->text($browser, '.table-in'), '1 taken in'), 'it is taken in');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.to-buy'), 'Where a price is kept'),
            'and has its price',
        );
        unlink($file);
        $this->tap($browser, '.to-buy .acts button', 'Tick off what is in the van');
        $this->seen($browser, '[aria-label="In the van: safety goggles"]')->click();
        $this->until(fn (): bool => str_contains($this->text($browser, '.to-buy'), '1 of '), 'it is counted');
        $browser->navigate()->refresh();
        $this->tap($browser, '.to-buy .acts button', 'Tick off what is in the van');
        $ticked = $this->seen($browser, '[aria-label="In the van: safety goggles"]')->isSelected();
        self::assertTrue($ticked, 'it stays ticked on this device');
    }

    public function testWhatChangesAfterTheTicketWasPrintedIsMarked(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Printed'), 'clay-wash', 'cut');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.cut-station'), 'from stick 1'),
            'every piece names its stick',
        );
        self::assertStringContainsString(
            'joint 1.14: square, burr off',
            $this->text($browser, '.cut-station'),
            'the end in the shielded coupling is not chamfered',
        );
        $this->button($browser, 'as PDF, with drawings');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.cut-head'), 'Printed on '),
            'it is kept that it was printed',
        );
        self::assertStringNotContainsString('on the ticket of', $this->text($browser, '.cut-station'));
        $browser->executeScript("[...document.querySelectorAll('.cut-row')][1].querySelectorAll('button')[1].click()");
        $field = $this->seen($browser, '.tick-other input');
        $field->clear();
        $field->sendKeys('49');
        $this->button($browser, 'Reckon on from it');
        $row = fn (int $n): string => (string) $browser->executeScript(
            "return document.querySelectorAll('.cut-row')[{$n}]?.innerText ?? ''",
        );
        $this->until(
            fn (): bool => str_contains($row(3), 'on the ticket of') && str_contains($row(3), 'it was 63 1/2 in'),
            'the piece that takes it up is other than on the paper',
        );
        self::assertStringNotContainsString(
            'on the ticket of',
            $row(1).$row(2),
            'what is cut is cut, and the others are as they were',
        );
        $this->kept($browser);
        // The ticket that is printed now says what changed, and is what later changes are held against.
        $job = (string) preg_replace('#.*/jobs/([^/]+)/.*#', '$1', $browser->getCurrentURL());
        $browser->get($this->address()."/jobs/{$job}/runs/clay-wash/cut/ticket");
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.ticket'), 'it was 63 1/2 in'),
            'the ticket marks it',
        );
        $browser->executeScript('window.print = () => { window.printed = true; }; return null');
        $this->button($browser, 'Print');
        $this->until(
            fn (): bool => $browser->executeScript('return window.printed') === true &&
                ! str_contains($this->text($browser, '.ticket'), 'it was 63 1/2 in'),
            'once it is printed nothing is other than on it',
        );
        $this->openRun($browser, $job, 'clay-wash', 'cut');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.cut-head'), 'Printed on ') &&
                ! str_contains($this->text($browser, '.cut-station'), 'on the ticket of'),
            'and it is kept',
        );
    }

    public function testALostAnswerTakesNoTickAway(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Lost answers'), 'glaze', 'cut');
        $this->seen($browser, '.cut-row .tick');
        $browser->executeScript(
            <<<'JS'
            const ask = window.fetch;
            const isTick = (path, how) => path.endsWith('/log') && how?.method === 'POST';
            const lost = () => Promise.reject(new TypeError('no line'));
            window.fetch = (path, how) => (isTick(path, how) ? lost() : ask(path, how));
            window.letAsk = () => { window.fetch = ask; };
            return null;
            JS
            ,
        );
        $tick = static fn (): mixed => $browser->executeScript(
            'const tick = document.querySelector(".cut-row .tick:not(.on)"); tick?.click(); return tick !== null',
        );
        self::assertTrue($tick());
        $this->until(
            static fn (): bool => $browser->executeScript('return document.querySelector(".kept")?.dataset.saving') ===
                'offline',
            'it is said',
        );
        self::assertTrue($tick(), 'the next piece is ticked off all the same');
        $this->until(fn (): bool => str_contains($this->text($browser, '.cut-head h1'), '2 of 4'), 'and counted');
        $browser->executeScript('window.letAsk(); return null');
        $this->kept($browser);
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.cut-head h1'), '2 of 4'),
            'nothing is taken back',
        );
    }

    public function testAPlanThatIsNotProvedIsLookedForLongerAndCanBeStopped(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        // So many pieces that the usual time is too short.
        $lengths = [1387, 912, 1543, 677, 1208, 1011];
        $legs = array_map(
            static fn (int $n, int $mm): array => [
                'id' => 'l'.($n + 1),
                'way' => $n === 0 ? 'north' : ['left', 'right'][$n % 2],
                'length_mm' => $mm,
            ],
            array_keys($lengths),
            $lengths,
        );
        $this->openRun($browser, $this->ownJob($browser, 'Longer', $legs), 'glaze', 'cut');
        $this->seen($browser, '.saw-form');
        $take = function (string $rows, string $aim) use ($browser): void {
            $file = (string) tempnam(sys_get_temp_dir(), 'sticks').'.csv';
            file_put_contents($file, "system,size,length (mm),price,available\r\n{$rows}");
            $browser->findElement(WebDriverBy::cssSelector('.table-in input'))->sendKeys($file);
            $this->until(
                fn (): bool => str_contains($this->text($browser, '.table-in'), '2 taken in'),
                'the sticks are taken in',
            );
            unlink($file);
            $browser->executeScript(
                'const aim = document.querySelector(".saw-form select[name=aim]"); aim.value = arguments[0]; return null',
                [$aim],
            );
            $this->button($browser, 'Plan it so');
        };
        $group = fn (): string => $this->text($browser, '.cut-group');
        $take("pvc-dwv-40,1-1/2,3342,10.26,\r\npvc-dwv-40,1-1/2,2968,9.49,11\r\n", 'price');
        $this->until(fn (): bool => str_contains($group(), '87.72; at least'), 'the usual time is too short for these');
        // How fast this machine looks is not to decide: what comes of it is held back.
        $browser->executeScript(
            <<<'JS'
            const ask = window.fetch;
            window.fetch = (path, how) => (path === '/api/cut' && /effort/.test(how.body)
                ? new Promise((_, fail) => how.signal.addEventListener('abort', () => fail(new DOMException('given up', 'AbortError'))))
                : ask(path, how));
            window.letLook = () => { window.fetch = ask; };
            return null;
            JS
            ,
        );
        $look = fn (): string => $this->text($browser, '.look-longer');
        $this->button($browser, 'Look longer for a better plan');
        $this->until(
            fn (): bool => str_contains($look(), 'Looking 2 times as long as usual'),
            'it says how long it looks',
        );
        $this->kept($browser);
        self::assertStringContainsString(
            'Looking 2 times as long as usual',
            $look(),
            'that the job was kept meanwhile does not end it',
        );
        $this->button($browser, 'Stop');
        $this->until(fn (): bool => str_contains($look(), 'Stopped; the plan stays as it was.'), 'it stops');
        $this->button($browser, 'Look longer for a better plan');
        $this->until(fn (): bool => str_contains($look(), 'Looking 2 times as long as usual'), 'it looks again');
        $take("pvc-dwv-40,1-1/2,3315,8.16,\r\npvc-dwv-40,1-1/2,2181,5.37,11\r\n", 'length');
        $this->until(
            fn (): bool => str_contains($look(), 'Given up: something else is to be cut now.'),
            'what is of no use any more is given up',
        );
        $browser->executeScript('window.letLook(); return null');
        $this->until(fn (): bool => str_contains($group(), 'of pipe; at least'), 'as for these');
        $this->button($browser, 'Look longer for a better plan');
        $this->until(fn (): bool => str_contains($group(), 'of pipe: no plan takes less'), 'now it is proved');
    }

    public function testTheSawAndTheAimArePlannedWithAndAWidthThatIsNoneIsSaid(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Saw'), 'clay-wash', 'cut');
        $field = $this->seen($browser, '#cut-kerf');
        $field->clear();
        $field->sendKeys('thin');
        $this->button($browser, 'Plan it so');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.saw-form'), 'is not a length'),
            'it says what it did not understand',
        );
        $field->clear();
        $field->sendKeys('1/4');
        $browser->executeScript(
            "const aim = document.querySelector('.saw-form select[name=aim]'); aim.value = 'length';",
        );
        $this->button($browser, 'Plan it so');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.saw-form'), 'left open: as usual') &&
                $browser->executeScript("return document.querySelector('.saw-form select[name=aim]').value") ===
                    'length',
            'both are kept',
        );
        self::assertLessThanOrEqual(
            390,
            $browser->executeScript('return document.documentElement.scrollWidth'),
            'nothing hangs over the side',
        );
    }

    public function testWhatIsTickedOffWhileALengthIsReadIsNotLost(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Meanwhile'), 'clay-wash', 'cut');
        $this->seen($browser, '.saw-form');
        $this->holdBack($browser, '/api/lengths');
        $this->button($browser, 'Plan it so');
        $browser->executeScript("document.querySelector('.cut-row .tick').click()");
        $this->until(
            fn (): bool => $browser->findElements(WebDriverBy::cssSelector('.tick.on')) !== [],
            'it is ticked off',
        );
        $this->letThrough($browser);
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.saw-form'), 'left open: as usual'),
            'the saw is that in hand',
        );
        $this->kept($browser);
        self::assertCount(
            1,
            $browser->findElements(WebDriverBy::cssSelector('.tick.on')),
            'and what was ticked off stays so',
        );
    }

    public function testAPriceIsEnteredWhereTheThingStands(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Prices'), 'glaze', 'cut');
        $this->button($browser, 'Enter prices');
        $field = $this->seen($browser, ".price-field[aria-label*='PVC 1-1/2 long-sweep 90']");
        $field->sendKeys('dear'.WebDriverKeys::ENTER);
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.shelves'), 'no price'),
            'what is no price is said',
        );
        $field->clear();
        $field->sendKeys('2,50'.WebDriverKeys::ENTER);
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.shelves'), '12.50 2.50 each') &&
                str_contains($this->text($browser, '.to-buy'), 'Where a price is kept: 12.50'),
            'five of them, and the sum',
        );
        self::assertLessThanOrEqual(
            390,
            $browser->executeScript('return document.documentElement.scrollWidth'),
            'nothing hangs over the side',
        );
        $this->kept($browser);
    }

    public function testThePricesThatTheCrewKeepsComeIntoItsNextJob(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $crew = fn (): string => $this->text($browser, '.crew-prices');
        $this->openRun($browser, $this->ownJob($browser, 'Priced'), 'glaze', 'cut');
        $this->button($browser, 'Enter prices');
        $elbow = ".price-field[aria-label*='PVC 1-1/2 long-sweep 90']";
        $this->seen($browser, $elbow)->sendKeys('2.50'.WebDriverKeys::ENTER);
        $this->until(
            // With the sum the page has come to rest: what is pressed then does not move under the finger.
            fn (): bool => str_contains($crew(), 'Keep these for the crew: 1 new') &&
                str_contains($this->text($browser, '.to-buy'), 'Where a price is kept'),
            'it can be kept for the crew',
        );
        $this->button($browser, 'Keep these for the crew: 1 new');
        $this->until(
            fn (): bool => str_contains($crew(), 'One price that the crew keeps') &&
                ! str_contains($crew(), 'Keep these'),
            'it is kept',
        );
        $this->kept($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Next'), 'glaze', 'cut');
        $browser->executeScript(
            'const ask = window.fetch; window.fetch = (path, how) => (path === "/api/prices" ? ((window.fetch = ask), Promise.reject(new TypeError("no network"))) : ask(path, how)); return null',
        );
        $this->button($browser, 'Enter prices');
        // The first answer is lost: it is asked for again.
        $this->button($browser, 'Take the crew’s prices: 1 new');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.to-buy'), 'Where a price is kept: 12.50') &&
                ! str_contains($crew(), 'Take the'),
            'five of them, at that price',
        );
        self::assertSame('2.50', $this->seen($browser, $elbow)->getAttribute('value'), 'and it stands in its field');
        $this->kept($browser);
        $browser->executeScript('document.querySelector(".crew-prices details").open = true; return null');
        self::assertLessThanOrEqual(
            390,
            $browser->executeScript('return document.documentElement.scrollWidth'),
            'nothing hangs over the side',
        );
        $this->button($browser, 'Take it out');
        $this->until(
            fn (): bool => str_contains($crew(), 'Keep these for the crew: 1 new'),
            'the crew keeps it no longer, the job does',
        );
    }
}
