<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Key;

/** What stands on the screens, by mouse, by thumb and on paper. */
final class ScreensTest extends BrowserTestCase
{
    public function testTheBoardStartsAJobAndARun(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->seen($browser, '#new-job')->sendKeys('Kiln shed, back drain'.Key::ENTER);
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.station'), 'No run yet'),
            'the new job is open',
        );
        $browser->findElement(WebDriverBy::cssSelector('.station .main-act'))->click();
        $this->seen($browser, '#run-name')->sendKeys('Basin to stack');
        $this->seen($browser, '#run-outlet')->sendKeys('basin trap');
        $this->seen($browser, '#run-tie-in')->sendKeys('stack stub');
        $this->seen($browser, '#run-level')->sendKeys('1,384');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '#run-level-help'), 'two ways'),
            'a doubtful length is marked where it stands',
        );
        $browser->findElement(WebDriverBy::cssSelector('.run-form .main-act'))->click();
        self::assertSame(
            '1,384',
            $this->seen($browser, '#run-level')->getAttribute('value'),
            'and the dialog stays, with all that was entered',
        );
        $this->seen($browser, '#run-level')->clear()->sendKeys("2' 1/2");
        $this->until(
            fn (): bool => str_contains($this->text($browser, '#run-level-help'), '622 mm'),
            'and said back when it is read',
        );
        $browser->findElement(WebDriverBy::cssSelector('.run-form .main-act'))->click();
        $this->seen($browser, '#call-out')->sendKeys("down 20 / right 4' fall 1/4");
        $this->until(fn (): bool => in_array('piece 1B', $this->tags($browser), true), 'two legs are drawn');
        self::assertStringContainsString('fall in hand', $this->text($browser, '.finds'));
        $this->keys($browser, Key::ENTER);
        $this->kept($browser);
    }

    public function testARunIsTurnedAsAModel(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Model'));
        $this->button($browser, 'Model to turn');
        $this->seen($browser, '.model canvas');
        // What is drawn is kept for a moment: it is read in the frame that it is drawn in.
        $drawn = static fn (): mixed => $browser->executeAsyncScript(
            <<<'JS'
            const done = arguments[0];
            const canvas = document.querySelector('.model canvas');
            canvas.focus();
            canvas.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft', bubbles: true }));
            done(canvas.toDataURL());
            JS
            ,
        );
        $first = $drawn();
        self::assertNotSame($first, $drawn(), 'it turns with the keys');
        self::assertSame([], $browser->findElements(WebDriverBy::cssSelector('.model .none')));
    }

    public function testAFindingIsMendedByItsButton(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Mend'));
        self::assertStringContainsString('Stop', $this->text($browser, '.f.stop'));
        self::assertSame(1, $this->flags($browser, 'stop'));
        $this->button($browser, 'Lay 2B at the least fall');
        $this->until(fn (): bool => $this->flags($browser, 'stop') === 0, 'the flag is gone');
        self::assertStringNotContainsString('falls too little', $this->text($browser, '.finds'));
        $this->kept($browser);
        $browser->findElement(WebDriverBy::cssSelector('[aria-label=Undo]'))->click();
        $this->until(fn (): bool => $this->flags($browser, 'stop') === 1, 'undo brings it back');
    }

    public function testAFixtureThatIsNotTheUsualOneOfItsKindCountsOtherwise(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Public');
        $this->openRun($browser, $job, 'closet');
        $this->seen($browser, '.head .dropdown:not(.job-name) .head-field')->click();
        $this->tap($browser, '.dropdown-item', 'Change this run');
        $this->seen($browser, '#run-outlet-variant option[value=public]')->click();
        $browser->findElement(WebDriverBy::cssSelector('.run-form .main-act'))->click();
        $this->kept($browser);
        $file = (string) $browser->executeScript(
            'const x = new XMLHttpRequest(); x.open("GET", arguments[0], false); x.send(); return x.responseText',
            ["/api/jobs/{$job}/file"],
        );
        $closet = array_column(json_decode($file, true)['runs'], null, 'id')['closet'];
        self::assertSame('public', $closet['outlet']['fixture']['variant']);
        self::assertEquals(
            [380, 3100],
            [$closet['outlet']['fixture']['rim_mm'], $closet['tie_in']['branch']['at_mm']],
            'what was not touched is as it was, to the nanometre',
        );
        $this->button($browser, 'Drains and vents');
        $this->until(
            fn (): bool => preg_match(
                '/flat closet\s*closet in public use, 1.6 gal\s*4 fixture units/',
                $this->text($browser, '.station'),
            ) === 1,
            'it counts four units, and says as what',
        );
    }

    public function testALegCardStepsAndAMeasuredFittingIsSeen(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Card'));
        $browser->findElements(WebDriverBy::cssSelector('.leg-row'))[1]->click();
        $cut = $this->text($browser, '.cuts');
        $browser->findElement(WebDriverBy::cssSelector('[aria-label=longer]'))->click();
        $this->until(fn (): bool => $this->text($browser, '.cuts') !== $cut, 'a step changes the cut length');
        self::assertStringContainsString("3' 2 1/2", $this->callOut($browser));
        $this->button($browser, 'Enter what you measured');
        $this->seen($browser, '#measured')->sendKeys('2 1/8'.Key::ENTER);
        $this->until(
            fn (): bool => str_contains(
                $this->text($browser, '.measured'),
                '1-1/2 long-sweep 90, center to stop: 2 1/8 in, yours',
            ),
            'it is shown that the number is mine',
        );
        $this->tap($browser, '.measured p button', 'Back to the catalog');
        $this->until(
            fn (): bool => ! str_contains($this->text($browser, '.measured'), 'long-sweep'),
            'and can be taken back',
        );
        $this->tap($browser, '.measured summary', 'in this job');
        self::assertStringContainsString(
            'male adapter',
            $this->text($browser, '.measured'),
            'what else was measured stays',
        );
    }

    public function testQuickTapsOnALegAllCountAndALegAddedMeanwhileLosesNone(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Quick taps on a leg');
        $this->openRun($browser, $job);
        $legs = fn (): int => count($browser->findElements(WebDriverBy::cssSelector('.leg-row')));
        $this->until(fn (): bool => $legs() > 2, 'the legs are there');
        $before = $legs();
        $browser->findElements(WebDriverBy::cssSelector('.leg-row'))[1]->click();
        $this->seen($browser, '.opened [aria-label=steeper]');
        $this->holdBack($browser, '/api/evaluate');
        $browser->executeScript(
            <<<'JS'
            const press = (name) => document.querySelector(`.opened [aria-label="${name}"]`).click();
            for (const name of ['steeper', 'steeper', 'longer', 'longer']) press(name);
            // Held down until it repeats once, and let go: one step.
            const [longer, wait] = [document.querySelector('.opened [aria-label=longer]'), window.setTimeout];
            let repeat;
            window.setTimeout = (what) => { repeat = what; return 0; };
            longer.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true }));
            repeat();
            longer.dispatchEvent(new PointerEvent('pointerup', { bubbles: true }));
            window.setTimeout = wait;
            longer.dispatchEvent(new MouseEvent('click', { bubbles: true, detail: 1 }));
            [...document.querySelectorAll('.opened button')].find((one) => one.textContent.includes('Add a leg after it')).click();
            return null;
            JS
            ,
        );
        $this->letThrough($browser);
        $this->until(fn (): bool => $legs() === $before + 1, 'one leg more');
        $this->kept($browser);
        $kept = (array) $browser->executeAsyncScript(
            'const done = arguments[1]; fetch(`/api/jobs/${arguments[0]}`, { headers: { Accept: "application/json" } }).then((answer) => answer.json()).then((job) => done(job.document.runs.find((run) => run.id === "glaze").legs))',
            [$job],
        );
        $demo = (array) json_decode(
            (string) file_get_contents(dirname(__DIR__, 2).'/database/demo/mill-row-pottery.json'),
            true,
        );
        $said = array_column((array) $demo['runs'], null, 'id')['glaze']['legs'][1];
        self::assertCount($before + 1, $kept);
        self::assertEqualsWithDelta($said['length_mm'] + 3 * 12.7, $kept[1]['length_mm'], 1e-6, 'three steps longer');
        self::assertEqualsWithDelta(
            ((round((($said['fall_mm_per_m'] ?? 1000 / 48) * 96) / 1000) + 2) * 1000) / 96,
            $kept[1]['fall_mm_per_m'],
            1e-6,
            'two steps steeper',
        );
    }

    public function testTheTicketHasEveryPieceAndAScaleOfTrueLength(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Ticket');
        $this->openRun($browser, $job, 'mop', 'cut');
        $browser->findElement(WebDriverBy::cssSelector('.cut-head .main-act'))->click();
        $this->seen($browser, '.ticket');
        self::assertCount(6, $browser->findElements(WebDriverBy::cssSelector('.ticket .cut-row')));
        $per = $browser->executeScript(
            'const r = document.querySelector(".check-scale").getBoundingClientRect(); return r.width / 96',
        );
        self::assertIsNumeric($per);
        self::assertEqualsWithDelta(3.1, (float) $per, 0.01, '3 in and its margins, at 96 px to the inch');
        self::assertStringContainsString(
            'local code and the licensed plumber decide',
            $this->text($browser, '.ticket'),
        );
    }

    public function testAJobGoesOutAndInByFileAndADamagedOneIsRefusedAtThePlace(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $good = dirname(__DIR__, 2).'/database/demo/mill-row-pottery.json';
        $bad = sys_get_temp_dir().'/fall-bend-bad-'.getmypid().'.json';
        file_put_contents($bad, str_replace('"way": "south"', '"way": "downhill"', (string) file_get_contents($good)));
        $this->seen($browser, '.job-row');
        $rows = count($browser->findElements(WebDriverBy::cssSelector('.job-row')));
        $this->file($browser, $bad);
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.board > .problem'), 'runs.2.legs.1.way must be one of'),
            'the place is not named',
        );
        self::assertCount($rows, $browser->findElements(WebDriverBy::cssSelector('.job-row')));
        unlink($bad);
        $this->file($browser, $good);
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.job-name'), 'Mill Row Pottery'),
            'the imported job is not opened',
        );
    }

    /** Whoever follows an old link does not cut from another run's ticket. */
    public function testALinkToARunThatIsNotThereOpensNoOther(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Old links');
        foreach (['route', 'cut', 'ticket'] as $station) {
            $browser->get("{$this->address()}/jobs/{$job}/runs/no-such-run/{$station}");
            self::assertStringContainsString(
                'There is no such run in this job',
                $this->seen($browser, '.run-gone')->getText(),
            );
            self::assertSame([], $browser->findElements(WebDriverBy::cssSelector('.fall-line, .cut-row, .ticket')));
            self::assertStringNotContainsString(
                'none yet',
                $this->text($browser, '.head'),
                'there are runs, only not this one',
            );
        }
        $this->tap($browser, '.run-gone a', '1. ');
        $this->until(
            fn (): bool => ! str_contains($browser->getCurrentURL(), 'no-such-run') &&
                $browser->findElements(WebDriverBy::cssSelector('.run-gone')) === [],
            'the run that was chosen is open',
        );
    }

    public function testThePhoneIsOneColumnWithTargetsForAThumb(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Phone');
        foreach (['/', "/jobs/{$job}/runs/glaze", "/jobs/{$job}/runs/glaze/cut"] as $path) {
            $browser->executeScript('location.assign(arguments[0])', [$path]);
            $this->seen($browser, $path === '/' ? '.job-row' : '.fall-line');
            self::assertSame(
                390,
                $browser->executeScript('return document.documentElement.scrollWidth'),
                "{$path} is no wider than the phone",
            );
        }
        $this->openRun($browser, $job);
        $browser->findElements(WebDriverBy::cssSelector('.leg-row'))[0]->click();
        /** @var list<string> $small */
        $small = $browser->executeScript(
            <<<'JS'
            // A word in a sentence is as high as its line.
            return [...document.querySelectorAll('main button:not(.word), main select, main input, main textarea, .strip a, .head button, .head a')]
                .filter((one) => one.offsetParent !== null && one.getBoundingClientRect().height > 0)
                .filter((one) => one.getBoundingClientRect().height < 47.5)
                .map((one) => one.outerHTML.slice(0, 90));
            JS
            ,
        );
        self::assertSame([], $small);
        $next = $browser->findElement(WebDriverBy::cssSelector('.phone-acts button'));
        $next->click();
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.phone-acts .main-act'), 'Lay 2B at the least fall'),
            'the action of the first finding',
        );
        $browser->findElement(WebDriverBy::cssSelector('.phone-acts .main-act'))->click();
        $this->until(
            fn (): bool => ! str_contains($this->text($browser, '.finds'), 'falls too little'),
            'one tap mends it',
        );
    }

    public function testCellarModeStaysAndReadsAsWell(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Cellar'));
        $browser->findElement(WebDriverBy::cssSelector('[aria-label="Dark, for a cellar"]'))->click();
        $browser->navigate()->refresh();
        $this->seen($browser, '.fall-line');
        self::assertSame('cellar', $browser->executeScript('return document.documentElement.dataset.mode'));
        foreach (['paper', 'cellar'] as $mode) {
            $browser->executeScript('document.documentElement.dataset.mode = arguments[0]', [$mode]);
            $contrast = $browser->executeScript(self::LOWEST_CONTRAST);
            self::assertIsArray($contrast);
            self::assertGreaterThanOrEqual(4.5, $contrast[0], "{$mode}: {$contrast[1]}");
        }
    }

    private const LOWEST_CONTRAST = <<<'JS'
    const parse = (c) => (c.match(/[\d.]+/g) || []).map(Number);
    const lum = ([r, g, b]) => { const f = (v) => { v /= 255; return v <= 0.03928 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4; }; return 0.2126 * f(r) + 0.7152 * f(g) + 0.0722 * f(b); };
    const ground = (e) => { for (; e; e = e.parentElement) { const c = parse(getComputedStyle(e).backgroundColor); if (c.length === 3 || c[3] > 0.99) return c; } return [255, 255, 255]; };
    let least = [99, ''];
    for (const e of document.querySelectorAll('body *')) {
        const own = [...e.childNodes].some((n) => n.nodeType === 3 && n.textContent.trim() !== '');
        if (!own || e.closest('svg, .unseen, textarea, [disabled]') || e.offsetParent === null) continue;
        const [a, b] = [lum(parse(getComputedStyle(e).color)), lum(ground(e))];
        const ratio = (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
        if (ratio < least[0]) least = [ratio, e.outerHTML.slice(0, 120)];
    }
    return least;
    JS;

    private function flags(RemoteWebDriver $browser, string $severity): int
    {
        return count($browser->findElements(WebDriverBy::cssSelector(".fall-panel [data-flag={$severity}]")));
    }

    private function file(RemoteWebDriver $browser, string $path): void
    {
        $input = $this->seen($browser, 'input[type=file]');
        self::assertInstanceOf(RemoteWebElement::class, $input);
        $input->setFileDetector(new LocalFileDetector)->sendKeys($path);
    }
}
