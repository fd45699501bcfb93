<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use PHPUnit\Framework\Attributes\DataProvider;

/** The day in which a run is joined. */
final class GlueUpTest extends BrowserTestCase
{
    /** @return iterable<string, array{int, int}> */
    public static function sizes(): iterable
    {
        yield 'on a laptop' => [1280, 800];
        yield 'on a phone' => [390, 844];
    }

    #[DataProvider('sizes')]
    public function testTheDayIsPlannedForOneOrTwoAndForALineThatIsClosedForAWhile(int $width, int $height): void
    {
        $browser = $this->open($width, $height);
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'The day'), 'clay-wash', 'glue-up');
        $day = fn (): string => $this->text($browser, '.glue-sum');
        $this->until(fn (): bool => str_contains($day(), 'It can be tested from 10:03'), 'one person, from eight');
        self::assertStringContainsString('Nobody flushes from 09:29 to 09:33', $day());
        self::assertCount(14, $browser->findElements(WebDriverBy::cssSelector('.day-line [data-joint]')));
        self::assertCount(14, $browser->findElements(WebDriverBy::cssSelector('.glue-steps > ol .glue-row')));
        $wide = $browser->executeScript('return document.documentElement.scrollWidth - innerWidth');
        self::assertLessThanOrEqual(0, $wide, 'nothing is wider than the screen');

        $browser->executeScript('document.querySelectorAll(".glue-form input[type=radio]")[1].click()');
        $this->until(fn (): bool => ! str_contains($day(), '10:03'), 'two people are sooner done');

        $this->say($browser, 0, '12:00');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.glue-form'), 'from when and until when'),
            'half of it is no time',
        );
        $this->say($browser, 1, '12:02');
        $this->until(fn (): bool => str_contains($day(), 'Nobody flushes from 12:00'), 'in the line at noon');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.glue-said'), 'the house waits longer'),
            'two minutes are too few',
        );
    }

    public function testWhatIsMadeIsKnownAfterAReloadAndToASecondPhoneWhichTakesItBack(): void
    {
        $phone = $this->open(390, 844);
        $this->signIn($phone);
        $job = $this->ownJob($phone, 'Two phones');
        $this->openRun($phone, $job, 'clay-wash', 'glue-up');
        $this->button($phone, 'All tried and marked');
        $this->until(fn (): bool => ! str_contains($this->text($phone, '.glue-steps'), 'Try everything dry'), 'tried');
        $this->button($phone, 'Joint 1.2 is made');
        $this->until(fn (): bool => $this->timer($phone) >= 1700, 'its clock runs, of half an hour');
        self::assertStringContainsString('joint 1.2: not moved, no water', $this->text($phone, '.glue-next'));
        $phone->navigate()->refresh();
        $this->until(
            fn (): bool => $this->timer($phone) >= 1600 && $this->timer($phone) < 1800,
            'it runs on after a reload',
        );

        $second = $this->open(390, 844);
        $this->signIn($second);
        $this->openRun($second, $job, 'clay-wash', 'glue-up');
        $this->until(fn (): bool => $this->timer($second) >= 1600, 'and on another phone');
        self::assertEqualsWithDelta($this->timer($phone), $this->timer($second), 4);
        $this->until(fn (): bool => str_contains($this->text($second, '.glue-made'), 'by lead'), 'and who made it');
        $this->button($second, 'Not made: take it back');
        $this->until(fn (): bool => ! str_contains($this->text($second, '.station'), 'take it back'), 'taken back');
        $this->until(
            fn (): bool => ! str_contains($this->text($phone, '.station'), 'take it back'),
            'on the first, too',
        );
        $this->until(
            fn (): bool => str_contains($this->text($phone, '.glue-steps'), 'Joint 1.2 is made'),
            'still to make',
        );
    }

    public function testWhatIsTappedWhileTheLineIsCutArrivesLaterWithTheTimeAtWhichItWas(): void
    {
        $phone = $this->open(390, 844);
        $this->signIn($phone);
        $job = $this->ownJob($phone, 'In the cellar');
        $this->openRun($phone, $job, 'clay-wash', 'glue-up');
        $this->until(fn (): bool => str_contains($this->text($phone, '.glue-steps'), 'Joint 1.2 is made'), 'the day');
        $this->devTools($phone, 'Network.enable', []);
        $this->network($phone, offline: true);
        $this->button($phone, 'Joint 1.2 is made');
        $this->until(
            fn (): bool => str_contains($this->text($phone, '.glue-made'), 'kept on this device and not sent yet'),
            'it is kept here',
        );
        sleep(8);
        $this->network($phone);
        // What found no line is tried again a quarter of a minute later, where the browser does not say it is back.
        $this->until(fn (): bool => str_contains($this->text($phone, '.glue-made'), 'by lead'), 'it arrives', 40);
        self::assertLessThanOrEqual(1795, $this->timer($phone), 'its clock has run since it was tapped');
        self::assertStringNotContainsString('not sent yet', $this->text($phone, '.glue-made'));
    }

    public function testAPhoneWhoseClockIsWrongByAnHourShowsTheRightTime(): void
    {
        foreach ([-3_600_000, 3_600_000] as $off) {
            $phone = $this->open(390, 844);
            $this->devTools($phone, 'Page.addScriptToEvaluateOnNewDocument', [
                'source' => "const now = Date.now; Date.now = () => now() + {$off};",
            ]);
            $this->signIn($phone);
            $this->openRun($phone, $this->ownJob($phone, "Wrong by {$off}"), 'clay-wash', 'glue-up');
            $this->button($phone, 'Joint 1.2 is made');
            $this->until(fn (): bool => $this->timer($phone) > 0, 'a clock runs');
            self::assertEqualsWithDelta(1800, $this->timer($phone), 30, "off by {$off} ms");
        }
    }

    public function testAJointIsFollowedStepByStepUntilItIsMade(): void
    {
        $phone = $this->open(390, 844);
        $this->signIn($phone);
        $this->openRun($phone, $this->ownJob($phone, 'Step by step'), 'clay-wash', 'glue-up');
        $this->tap($phone, '.glue-row', 'PVC cement');
        $this->until(fn (): bool => str_contains($this->text($phone, '.step-card'), 'PVC cement'), 'its card is there');
        $next = 'return document.querySelector(".step-card .main-act")?.textContent ?? ""';
        for ($step = 0; $step < 20 && $phone->executeScript($next) !== 'It is made'; $step++) {
            $phone->executeScript('document.querySelector(".step-card .main-act").click()');
            usleep(100_000);
        }
        self::assertGreaterThan(3, $step);
        $this->button($phone, 'It is made');
        $this->until(fn (): bool => $this->timer($phone) >= 1700, 'its clock runs');
        self::assertSame('', $this->text($phone, '.step-card'));
    }

    public function testAJointWithoutAMethodLeadsToWhereItGetsOne(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'No method yet'), 'shower', 'glue-up');
        $this->until(fn (): bool => str_contains($this->text($browser, '.glue-said'), 'Joint 6.4'), 'it is named');
        $browser->findElement(WebDriverBy::linkText('choose how it is joined'))->click();
        $this->until(fn (): bool => str_ends_with($browser->getCurrentURL(), '/shower/joints'), 'at Joints');
    }

    /** What the large clock shows, in seconds; 0 where there is none. */
    private function timer(RemoteWebDriver $browser): int
    {
        $text = $browser->executeScript('return document.querySelector(".glue-next b")?.textContent ?? "0:00"');
        $seconds = 0;
        foreach (explode(':', is_string($text) ? $text : '0') as $part) {
            $seconds = 60 * $seconds + (int) $part;
        }

        return $seconds;
    }

    /** Says a time of day as whoever types it does. */
    private function say(RemoteWebDriver $browser, int $field, string $time): void
    {
        $browser->executeScript(
            'const [n, time] = arguments; const field = document.querySelectorAll(".glue-form input[type=time]")[n];'.
                'Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(field, time);'.
                'field.dispatchEvent(new Event("input", {bubbles: true}));',
            [$field, $time],
        );
    }
}
