<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Key;
use Facebook\WebDriver\WebDriverSelect;

/** Runs that hang together: said, seen, copied, drilled; by keys and on the phone. */
final class HouseTest extends BrowserTestCase
{
    /** From an empty job to a bathroom of three fixtures on a stack, with its vents, all by keys. */
    public function testABathroomOnAStackTakesAtMostTwoHundredAndFiftyKeys(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->seen($browser, '#new-job')->sendKeys('Bathroom'.Key::ENTER);
        $this->seen($browser, '#add-run');
        $browser->executeScript(
            'window.pressed = 0; window.clicked = 0; document.addEventListener("keydown", () => window.pressed++, true); document.addEventListener("click", () => window.clicked++, true)',
        );
        $lines = [
            'stack: roof / down 120 / north 96',
            'basin group a rim 30 / east 30 / into s 60',
            'v: vent off basin 20 / up 50 / east 10 / into s 9 1/2',
            'tub: bath group a / south 40 / into s 71',
            'wc group a / west 20 / into s 82',
        ];
        foreach ($lines as $i => $line) {
            $this->seen($browser, '#add-run')->sendKeys($line.Key::ENTER);
            $this->until(
                fn (): bool => count($browser->findElements(WebDriverBy::cssSelector('.tree-row'))) === $i + 1,
                'run '.($i + 1).' stands in the tree: '.$this->text($browser, '#add-run-back'),
            );
        }
        $pressed = $browser->executeScript('return window.pressed');
        self::assertIsInt($pressed);
        self::assertGreaterThan(100, $pressed, 'the keys are counted');
        self::assertLessThanOrEqual(250, $pressed);
        self::assertSame(0, $browser->executeScript('return window.clicked'), 'and nothing was clicked');
        $tree = $this->text($browser, '.tree');
        self::assertStringContainsString('wet vent', $tree);
        self::assertStringContainsString('dry vent', $tree);
        self::assertStringContainsString('5 fixture units', $tree, 'closet, basin and bath count as a group');
        self::assertStringNotContainsString('Must fix', $this->text($browser, '.house-finds'));
        $this->kept($browser);
        $browser->navigate()->refresh();
        $this->until(
            fn (): bool => count($browser->findElements(WebDriverBy::cssSelector('.house-iso [data-run]'))) > 20 ||
                str_contains($this->text($browser, '.view-tabs'), 'Whole house'),
            'it is all there again',
        );
    }

    /** What is said of the building answers what was asked; a job is judged by its book with what a town amends. */
    public function testTheBuildingIsAskedOnceAndATownAmendsItsBook(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $job = $this->startJob($browser, ['name' => 'Asked'] + self::demoDocument('mill-row-pottery'));
        $this->openHouse($browser, $job);
        $finds = fn (): string => $this->text($browser, '.house-finds');
        $this->until(fn (): bool => str_contains($finds(), 'whether these are all its vents is not known'), 'it asks');
        $this->tap($browser, '.of-building summary', 'What the book asks');
        $this->choose($browser, '#building-whole', 'no');
        $this->button($browser, 'It is so');
        $this->until(fn (): bool => ! str_contains($finds(), 'whether these are all its vents'), 'it is answered');
        $this->kept($browser);
        $said = $browser->executeScript(
            'return fetch("/api/jobs/'.$job.'").then((a) => a.json()).then((a) => a.document.building)',
        );
        self::assertIsArray($said);
        self::assertFalse($said['whole']);
        self::assertSame(2, $said['storeys']);

        $town = [
            'name' => 'Millbrook',
            'rulebook' => 'upc-2021',
            'said_by' => 'the building office',
            'said_on' => '2026-11-20',
            'rows' => [['threshold' => 'vent.above-roof', 'value' => 900]],
        ];
        $browser->executeScript(
            <<<'JS'
            const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1]);
            const said = { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token };
            const headers = { ...said, 'Idempotency-Key': 'millbrook-is-kept-once' };
            const body = JSON.stringify(arguments[0]);
            return fetch("/api/amendments", { method: "PUT", headers, body }).then(() => 1);
            JS
            ,
            [$town],
        );
        $browser->navigate()->refresh();
        $this->seen($browser, '.head .job-name .head-field')->click();
        $this->tap($browser, '.dropdown-item', 'rulebook');
        $this->seen($browser, '#job-rulebook');
        $offered = fn (): bool => str_contains($this->text($browser, '#job-rulebook'), 'with Millbrook');
        $this->until($offered, 'it is offered');
        $this->choose($browser, '#job-rulebook', 'amended Millbrook');
        $this->button($browser, 'Save');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.head'), 'UPC 2021 with Millbrook'),
            'the job says by what it is judged',
        );
        $this->openHouse($browser, $job);
        $this->until(fn (): bool => str_contains($finds(), 'vent end too low'), 'and is judged by it: '.$finds());
    }

    public function testWhatIsNotUnderstoodIsMarkedAndNothingIsLost(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openHouse($browser, $this->ownJob($browser, 'Words'));
        $field = $this->seen($browser, '#add-run');
        $field->sendKeys('basin blue / east 30 / into nowhere 20'.Key::ENTER);
        $this->until(
            fn (): bool => str_contains($this->text($browser, '#add-run-back'), 'blue') ||
                str_contains($this->text($browser, '#add-run-back'), 'nowhere'),
            'it says what it did not understand',
        );
        $this->until(
            fn (): bool => $field->getAttribute('value') === 'basin blue / east 30 / into nowhere 20',
            'and keeps the words',
        );
        self::assertNotSame(
            [],
            $browser->findElements(WebDriverBy::cssSelector('.add-run .bad')),
            'marked where they stand',
        );
    }

    public function testTheFallLineShowsTheWholeWayToTheEndAndOpensWhatItLeadsThrough(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Way'), 'flat-basin');
        $this->button($browser, 'Fall line: this run');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.way-line'), 'Flat stack, 3 in') &&
                str_contains($this->text($browser, '.way-line'), 'House drain, 4 in'),
            'it goes through the stack into the house drain',
        );
        self::assertStringContainsString('1/4 in per ft', $this->text($browser, '.way-line'));
        $this->tap($browser, '.way-line .branch-name', 'House drain');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.head'), 'House drain'),
            'a name on it opens that run',
        );
        self::assertSame(
            [],
            $browser->findElements(WebDriverBy::cssSelector('.view-tabs .way')),
            'which leads into no other',
        );
    }

    public function testALegTakesWhatTheLevelsLeaveOpen(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Levels'), 'clay-wash');
        $browser->executeScript('document.querySelectorAll(".leg-row")[1].click()');
        $this->until(
            fn (): bool => count($browser->findElements(WebDriverBy::xpath('//label[span="Its fall"]/select'))) === 1,
            'the card of a level leg',
        );
        $browser->findElement(WebDriverBy::xpath('//label[span="Its fall"]/select/option[@value="share"]'))->click();
        $this->until(
            fn (): bool => str_contains($this->callOut($browser), 'fall shared'),
            'is said in the call-out too',
        );
        $this->kept($browser);
        $browser->findElement(WebDriverBy::xpath('//label[span="Its fall"]/select/option[@value=""]'))->click();
        $this->until(fn (): bool => ! str_contains($this->callOut($browser), 'fall shared'), 'and taken back');
    }

    public function testTheTreeOpensARunAndTheFallLineItsBranches(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Tree');
        $this->openRun($browser, $job, 'house');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.fall-line'), 'Flat stack'),
            'the fall line names what comes in',
        );
        $this->tap($browser, '.fall-line .branch-name', 'Flat stack');
        $this->until(fn (): bool => str_contains($this->text($browser, '.head'), 'Flat stack'), 'and its name opens it');
        $this->button($browser, 'Whole house');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.tree-row.lit'), 'Flat stack') &&
                str_contains($this->text($browser, '.tree-row.lit'), 'dry vent, then drain'),
            'the tree says what it is',
        );
        $this->button($browser, 'Drains and vents');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.loads'), 'vent of its ownShower vent'),
            'every trap names how it is vented, and its vent',
        );
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.trap-picture'), 'Within the book'),
            'the arm is within its limit',
        );
        $browser->executeScript(
            'const r = document.querySelector(".sliders input"); Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(r, r.max); r.dispatchEvent(new Event("input", { bubbles: true }))',
        );
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.trap-picture'), 'trap arm too long'),
            'drawn out too far it is said so',
        );
        $this->button($browser, 'no vent');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.trap-picture'), 'of seal are left') ||
                str_contains($this->text($browser, '.trap-picture'), 'breaks through'),
            'and what a discharge does is shown',
        );
        $this->button($browser, 'Drilling plan');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.drilling'), 'joist, 2 × 10, no. 3'),
            'every hole is listed',
        );
    }

    public function testAGroupIsSetInOnceMoreMirroredAndTakenBack(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openHouse($browser, $this->ownJob($browser, 'Copy'), 'studio-sink');
        $count = fn (): int => count($browser->findElements(WebDriverBy::cssSelector('.tree-row')));
        $before = $count();
        $this->button($browser, 'Copy this run…');
        $this->seen($browser, '#repeat-step')->sendKeys('60');
        $browser->findElement(WebDriverBy::cssSelector('#repeat-mirrored'))->click();
        $this->button($browser, 'Add copies');
        $this->until(fn (): bool => $count() === $before + 2, 'the sink and its vent stand there once more');
        self::assertStringContainsString('Studio hand sink 2', $this->text($browser, '.tree'));
        $this->kept($browser);
        $browser->findElement(WebDriverBy::cssSelector('[aria-label=Undo]'))->click();
        $this->until(fn (): bool => $count() === $before, 'and undo takes them back');
    }

    public function testAJoistIsEnteredAtItsLegAndStandsInThePlan(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $job = $this->ownJob($browser, 'Joist');
        $this->openRun($browser, $job, 'studio-sink');
        $this->seen($browser, '.leg-row')->click();
        $this->button($browser, 'Add what it goes through');
        $this->seen($browser, '#obstacle-at')->sendKeys('10');
        $this->seen($browser, '#obstacle-depth')->sendKeys('9 1/4');
        $this->seen($browser, '#obstacle-top')->sendKeys('two');
        $this->button($browser, 'Keep');
        self::assertNotSame(
            '',
            $this->text($browser, '#obstacle-top-help'),
            'what is no length is said so, and the dialog stays',
        );
        $this->seen($browser, '#obstacle-top')->clear()->sendKeys('2');
        $this->until(fn (): bool => str_contains($this->text($browser, '#obstacle-top-help'), '51 mm'), 'read back');
        $this->button($browser, 'Keep');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.finds'), 'hole too near the edge'),
            'and judged at once',
        );
        $this->kept($browser);
    }

    public function testOnThePhoneTheHouseFitsAndItsTargetsTakeAThumb(): void
    {
        $browser = $this->open(390, 844);
        $this->signIn($browser);
        $this->openHouse($browser, $this->ownJob($browser, 'Thumb'));
        $this->seen($browser, '.tree-row');
        self::assertSame(
            'none',
            $browser->executeScript('return document.documentElement.scrollWidth > innerWidth ? "wider" : "none"'),
        );
        $small = $browser->executeScript(
            'return [...document.querySelectorAll(".view-tabs button, .tree-name, .add-run input")].filter((e) => e.offsetHeight > 0 && e.offsetHeight < 44).map((e) => e.textContent)',
        );
        self::assertSame([], $small);
    }

    private function choose(RemoteWebDriver $browser, string $selector, string $value): void
    {
        (new WebDriverSelect($browser->findElement(WebDriverBy::cssSelector($selector))))->selectByValue($value);
    }

    private function openHouse(RemoteWebDriver $browser, string $job, string $run = 'house'): void
    {
        $this->openRun($browser, $job, $run);
        $this->button($browser, 'Whole house');
        $this->seen($browser, '.tree-row');
    }
}
