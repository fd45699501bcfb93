<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Key;
use PHPUnit\Framework\Attributes\DataProvider;

/** From the board to a right answer without a word of call-out: on a large screen, and on a phone. */
final class StartsTest extends BrowserTestCase
{
    /** @return array<string, array{int, int}> */
    public static function screens(): array
    {
        return ['a large screen' => [1280, 800], 'a phone' => [390, 844]];
    }

    /**
     * 60° between a branch and its line: no fitting makes that. A wye rolled 55° up and a 45 do; 10 ft along the string
     * less what the short leg takes, 113 3/4 in, is cut, and 3 1/16 in between the two fittings.
     */
    #[DataProvider('screens')]
    public function testABranchAtAnOddAngle(int $width, int $height): void
    {
        $browser = $this->begun($width, $height, 'A branch into a buried line, at any angle');
        $this->says($browser, '4 × 3 wye: its branch rolled 55° up from level, 2 3/16 in round the pipe');
        $this->type($browser, 'angle', '200');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '#start-angle-problem'), 'At most 90°'),
            'what cannot be is refused at its field',
        );
        $this->type($browser, 'angle', '45');
        $this->says($browser, 'branch: cut 2A 114 15/16 in');
        $this->started($browser, '/runs/branch/route', 12);
        $this->until(fn (): bool => in_array('piece 2A', $this->tags($browser), true), 'it is drawn');
    }

    public function testTheJobIsOfWhatStandsInTheFieldsHoweverSoonItIsStarted(): void
    {
        $browser = $this->begun(1280, 800, 'A length of iron out, plastic in');
        $this->type($browser, 'gap', '1/16');
        $this->button($browser, 'Start the job');
        $this->until(
            static fn (): bool => $browser->switchTo()->activeElement()->getAttribute('id') === 'start-gap',
            'what cannot be is where the cursor goes',
        );
        $this->type($browser, 'gap', "6' 2");
        $this->tap($browser, '.start-acts a', 'On paper');
        $this->seen($browser, '.start-paper');
        $browser->navigate()->back();
        self::assertSame("6' 2", $this->seen($browser, '#start-gap')->getAttribute('value'), 'it is there again');
        $this->button($browser, 'Start the job');
        $this->until(
            static fn (): bool => str_contains($browser->getCurrentURL(), '/runs/new-length/cut'),
            'it is not lost',
        );
        $this->until(fn (): bool => str_contains($this->text($browser, 'main'), '73'), 'as it was typed');
    }

    /**
     * Every other start: what is filled in, what it says then, and what it opens. Checked by hand; a short quarter bend
     * of 1-1/2 takes 1-3/4 in, of 2 in 2-5/16 in, of 3 in 3-1/16 in, and so does the branch of a tee of that size, with
     * half the difference of the outsides where its run is larger (1.9, 2.375, 3.5 in).
     *
     * @return iterable<string, array{string, array<string, string>, string, string}>
     */
    public static function starts(): iterable
    {
        // 46 in: 4 ft less 1-3/4 and 0.24 in.
        yield 'kitchen' => ['A sink or basin to a stack', ['across' => "4'"], 'drain: cut 2A 46 in', '/drain/cut'];
        // 74 in between the cuts, less the ridges of two sleeves, 1/8 in each.
        yield 'iron out' => ['A length of iron out, plastic in', ['gap' => "6' 2"], '1A 73 3/4 in', '/new-length/cut'];
        // 1,500 less half the stack, 55, and what the boss and the stop leave, 21.
        yield 'UK waste' => [
            'A basin, bath or sink to the stack',
            ['across' => '1500'],
            'waste: cut 2A 1424 mm',
            '/waste/cut',
        ];
        // 2,400 in the house, 300 of wall and 100 beyond, less what the swept bend takes, 33.
        yield 'hopper' => [
            'A basin or sink through the wall to a hopper or gully',
            ['inside' => '2400'],
            'waste: cut 1A 2767 mm',
            '/waste/cut',
        ];
        // 900 less the branch of the swept tee, 126.
        yield 'UK bathroom' => [
            'A bathroom on a stack, UK',
            ['wc' => '900'],
            'WC: cut 4A 774 mm',
            '/wc/route',
        ];
        yield 'joint' => ['Just this joint', [], 'Soil-pipe adapter, with hub gasket, service', '/none/joints'];
        yield 'hub' => ['Plastic into an iron hub', [], 'Soil-pipe adapter', '/none/joints'];
        yield 'thread' => ['A new outlet from an old threaded tee', [], 'male adapter, taper', '/none/joints'];
        yield 'laboratory' => ['Grooved joints for laboratory waste', [], 'nut, ring, seal', '/none/joints'];
        // 10 ft: 12 in from the beginning, 6 in before the end, 102 in between them in three spans of 34.
        yield 'clips' => [
            'Clips for pipe that stands or hangs',
            ['length' => "10'"],
            'at 12 in, 46 in, 80 in, 114 in',
            '/pipe/hang',
        ];
        // 40 in less 3-1/16 in.
        yield 'group' => [
            'A bathroom group on a stack',
            ['closet' => '40'],
            'closet: cut 4A 36 15/16 in',
            '/closet/route',
        ];
        // The tub's vent leaves 6 in from its trap: of 24 in, 18 are left, 4 more than of 20 in.
        yield 'laundry' => ['A laundry wall: washer and sink', ['out' => '24'], '5B 14 5/8 in', '/tub-vent/route'];
        // 40 in less 1-3/4 and 0.24 in.
        yield 'low sink' => [
            'A sink beside a standpipe, lower than its vent goes up',
            ['sink' => '40'],
            'sink: cut 4A 38 in',
            '/sink/route',
        ];
        // 5 ft less 3-1/16 in and half the difference of 4.5 and 3.5 in.
        yield 'other stack' => [
            'A plastic branch into a stack of another material',
            ['across' => "5'"],
            'branch: cut 2A 56 7/16 in',
            '/branch/cut',
        ];
        // 30 in less 2-3/16 in of the eighth bend and the ridge of the sleeve, 1/8 in.
        yield 'cracked bend' => [
            'A cracked bend in a buried line',
            ['first' => '30'],
            'new bend: cut 1A 27 11/16 in',
            '/new-bend/cut',
        ];
        // 12 in longer than the 8-15/16 in that 10 in leave.
        yield 'floor outlet' => [
            'A sink over an outlet in the floor',
            ['arm' => '32', 'vent' => '22'],
            'drain: cut 1A 20 15/16 in',
            '/vent/cut',
        ];
        // 9 ft less the branch of a 3 × 2 tee, 2-5/16 and 0.56 in.
        yield 'crawl space' => [
            'An outlet through a crawl space: a dump hose or a garden room',
            ['rise' => "9'"],
            'vent: cut 3A 105 1/8 in',
            '/vent/route',
        ];
        // 5 ft less 2-5/16 and 0.56 in.
        yield 'tub' => [
            'A tub or shower, with the joists in its way',
            ['across' => "5'"],
            'drain: cut 2A 57 1/8 in',
            '/drain/route',
        ];
        // 10 in less the reach, 4-1/4, and the elbow, 15/16, with 3/4 in the wall.
        yield 'trap' => [
            'A new trap between a tailpiece and the wall',
            ['tall' => '4-3/4', 'reach' => '4-1/4', 'elbow' => '15/16', 'depth' => '3/4', 'seal' => '3'],
            'The trap: cut the wall tube 5 9/16 in',
            '/none/make-up',
        ];
    }

    /** @param array<string, string> $values */
    #[DataProvider('starts')]
    public function testEveryStart(string $start, array $values, string $says, string $opens): void
    {
        $browser = null;
        foreach (self::screens() as [$width, $height]) {
            $browser = $this->begun($width, $height, $start, $browser);
            foreach ($values as $field => $text) {
                $this->type($browser, $field, $text);
            }
            $this->says($browser, $says);
            $this->started($browser, "/runs{$opens}", 5 + 2 * count($values));
            $shows = $this->shownOf($says, $opens);
            $this->until(
                fn (): bool => str_contains(strtolower($this->text($browser, 'main')), strtolower($shows)),
                "“{$shows}” stands there",
            );
            $this->until(
                static fn (): bool => $browser->executeScript(
                    'const at = document.querySelector(".strip a.on").getBoundingClientRect();'.
                        'return at.left >= 0 && at.right <= innerWidth + 1',
                ) === true,
                'the strip shows the station at hand',
            );
        }
    }

    /** What the station that a start opens shows of what was said: a piece, the length of a tube, a joint, a hanger. */
    private function shownOf(string $says, string $opens): string
    {
        return match (true) {
            preg_match('/\b\d[A-Z]\b/', $says, $piece) === 1 => $piece[0],
            str_ends_with($opens, 'make-up') => '5 9/16',
            str_ends_with($opens, 'joints') => 'Single joints of this job',
            default => 'Hanger 1',
        };
    }

    /** @param ?RemoteWebDriver $browser one that is signed in */
    private function begun(
        int $width,
        int $height,
        string $start,
        ?RemoteWebDriver $browser = null,
    ): RemoteWebDriver {
        if ($browser === null) {
            $browser = $this->open($width, $height);
            $this->signIn($browser);
        } else {
            $this->resize($browser, $width, $height);
            $browser->navigate()->to(self::fromEnvironment('BROWSER_BASE').'/');
        }
        $this->seen($browser, '.board');
        $browser->executeScript(
            'window.acts = 0; document.addEventListener("click", () => window.acts++, true);'.
                'document.addEventListener("change", () => window.acts++, true)',
        );
        $this->tap($browser, '.board-starts a', 'What is the job?');
        $this->tap($browser, '.start-list a', $start);
        $this->seen($browser, '.start-page');

        return $browser;
    }

    private function type(RemoteWebDriver $browser, string $field, string $text): void
    {
        $input = $browser->findElement(WebDriverBy::id("start-{$field}"));
        $input->click();
        $input->sendKeys([Key::CONTROL, 'a']);
        $input->sendKeys($text);
    }

    private function says(RemoteWebDriver $browser, string $words): void
    {
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.start-comes:not(.stale) .start-says'), $words),
            "it says “{$words}”",
        );
    }

    /** @param int $most taps and fields filled in, from the board on */
    private function started(RemoteWebDriver $browser, string $opens, int $most): void
    {
        $acts = 1 + (int) $browser->executeScript('return window.acts');
        self::assertLessThanOrEqual($most, $acts);
        $this->button($browser, 'Start the job');
        $this->until(
            static fn (): bool => str_contains($browser->getCurrentURL(), $opens),
            "it opens {$opens}",
        );
    }
}
