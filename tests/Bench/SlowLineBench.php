<?php

declare(strict_types=1);

namespace Tests\Bench;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Browser\BrowserTestCase;
use Tests\Support\SlowLine;

/**
 * How long a job takes to open on a weak signal, for the first time on a device and again, and what a key press costs
 * in bytes. Reported, and held against what was promised.
 */
final class SlowLineBench extends BrowserTestCase
{
    private const KBIT_PER_S = 400;

    private const ROUND_TRIP_MS = 400;

    private const TIMES = 5;

    private const PRESSES = 12;

    public function testReportsWhatAJobTakesOnASlowLine(): void
    {
        $cold = [];
        $warm = [];
        $bytes = ['up' => 0, 'down' => 0];
        for ($i = 0; $i < self::TIMES; $i++) {
            $line = SlowLine::to($this->address(), self::KBIT_PER_S, self::ROUND_TRIP_MS);
            $browser = $this->open();
            $this->signIn($browser);
            $job = $this->ownJob($browser, "Slow line {$i}");
            // Another port is another origin: nothing of it is on the device, but who is signed in.
            $path = "{$line->address}/jobs/{$job}/runs/clay-wash/route";
            $browser->get('about:blank');
            $line->passed();
            $cold[] = $this->opened($browser, $path);
            $this->until(fn (): bool => $this->isQuiet($line), 'all of the interface is fetched', 120);
            $bytes = $this->pressed($browser, $line);
            $warm[] = $this->opened($browser, $path);
            $this->kill($browser);
            $line->close();
        }
        sort($cold);
        sort($warm);
        fprintf(
            STDOUT,
            "\nAt %d kbit/s and %d ms a job is usable after (s, of %d): cold %s; warm %s\n".
            "A key a second costs, with all that follows, %d bytes up and %d down each\n",
            self::KBIT_PER_S,
            self::ROUND_TRIP_MS,
            self::TIMES,
            self::seconds($cold),
            self::seconds($warm),
            $bytes['up'],
            $bytes['down'],
        );
        self::assertLessThanOrEqual(6.0, $cold[intdiv(self::TIMES, 2)], 'cold');
        self::assertLessThanOrEqual(1.5, $warm[intdiv(self::TIMES, 2)], 'warm');
        self::assertLessThanOrEqual(12_000, $bytes['up'] + $bytes['down'], 'a key press');
    }

    /** Opens a page; gives the seconds until its run can be read and its call-out be said. */
    private function opened(RemoteWebDriver $browser, string $path): float
    {
        $from = microtime(true);
        $browser->executeScript("setTimeout(() => (location.href = '{$path}'))");
        $isThere = 'return location.href === arguments[0] && !!document.querySelector(".leg-row") && '.
            '!!document.querySelector("#call-out:not(:disabled)") && !!document.querySelector(".fall-panel svg")';
        for ($i = 0; $i < 1_000; $i++) {
            if ($browser->executeScript($isThere, [$path]) === true) {
                return microtime(true) - $from;
            }
            usleep(20_000);
        }
        self::fail('the job does not open');
    }

    /** Whether next to nothing passed for two seconds: the log is asked for all the time. */
    private function isQuiet(SlowLine $line): bool
    {
        $line->passed();
        sleep(2);

        return array_sum($line->passed()) < 4_000;
    }

    /**
     * Presses a key each second, and waits until all that follows has passed.
     *
     * @return array{up: int, down: int} bytes for each key
     */
    private function pressed(RemoteWebDriver $browser, SlowLine $line): array
    {
        $field = $this->seen($browser, '#call-out');
        $field->sendKeys(' / right 20');
        sleep(6);
        $line->passed();
        for ($i = 0; $i < self::PRESSES; $i++) {
            $field->sendKeys($i % 2 === 0 ? '.' : '5'.WebDriverKeys::BACKSPACE.WebDriverKeys::BACKSPACE);
            sleep(1);
        }
        // Long enough for the words to be kept, and not so long that the job is kept on the device.
        sleep(6);
        ['up' => $up, 'down' => $down] = $line->passed();

        return ['up' => intdiv($up, self::PRESSES), 'down' => intdiv($down, self::PRESSES)];
    }

    /** @param list<float> $times shortest first */
    private static function seconds(array $times): string
    {
        return sprintf('%.1f median, %.1f to %.1f', $times[intdiv(count($times), 2)], $times[0], max(0.0, ...$times));
    }
}
