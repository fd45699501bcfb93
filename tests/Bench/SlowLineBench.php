<?php

declare(strict_types=1);

namespace Tests\Bench;

use Facebook\WebDriver\Remote\RemoteWebDriver;
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

    private const TIMES = 3;

    private const PRESSES = 12;

    public function testReportsWhatAJobTakesOnASlowLine(): void
    {
        $cold = [];
        $warm = [];
        $bytes = [];
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
            if ($i === 0) {
                $bytes = $this->pressed($browser, $line);
            }
            $warm[] = $this->opened($browser, $path);
            $this->kill($browser);
            $line->close();
        }
        sort($cold);
        sort($warm);
        $up = array_column($bytes, 'up');
        $down = array_column($bytes, 'down');
        fprintf(
            STDOUT,
            "\nAt %d kbit/s and %d ms a job is usable after (s, of %d): cold %s; warm %s\n".
            "A key press costs (bytes, of %d): up %d on average, %d at most; down %d on average, %d at most\n",
            self::KBIT_PER_S,
            self::ROUND_TRIP_MS,
            self::TIMES,
            self::seconds($cold),
            self::seconds($warm),
            count($bytes),
            array_sum($up) / count($bytes),
            max(0, ...$up),
            array_sum($down) / count($bytes),
            max(0, ...$down),
        );
        self::assertLessThanOrEqual(6.0, $cold[intdiv(self::TIMES, 2)], 'cold');
        self::assertLessThanOrEqual(1.5, $warm[intdiv(self::TIMES, 2)], 'warm');
        $sums = array_map(static fn (array $one): int => $one['up'] + $one['down'], $bytes);
        self::assertLessThanOrEqual(12_000, max(0, ...$sums), 'a key press');
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

    /** @return list<array{up: int, down: int}> bytes of each key press, one at a time */
    private function pressed(RemoteWebDriver $browser, SlowLine $line): array
    {
        $bytes = [];
        $field = $this->seen($browser, '#call-out');
        $field->sendKeys(' / right 2');
        $this->until(fn (): bool => $this->isQuiet($line), 'the words are read and kept', 60);
        for ($i = 0; $i < self::PRESSES; $i++) {
            $line->passed();
            $field->sendKeys((string) ($i % 10));
            usleep(2_900_000);
            $bytes[] = $line->passed();
        }

        return $bytes;
    }

    /** @param list<float> $times shortest first */
    private static function seconds(array $times): string
    {
        return sprintf('%.1f median, %.1f to %.1f', $times[intdiv(count($times), 2)], $times[0], max(0.0, ...$times));
    }
}
