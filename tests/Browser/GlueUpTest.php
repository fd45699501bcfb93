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
        self::assertCount(14, $browser->findElements(WebDriverBy::cssSelector('.glue-row')));
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

    public function testAJointWithoutAMethodLeadsToWhereItGetsOne(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'No method yet'), 'shower', 'glue-up');
        $this->until(fn (): bool => str_contains($this->text($browser, '.glue-said'), 'Joint 4'), 'it is named');
        $browser->findElement(WebDriverBy::linkText('choose how it is joined'))->click();
        $this->until(fn (): bool => str_ends_with($browser->getCurrentURL(), '/shower/joints'), 'at Joints');
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
