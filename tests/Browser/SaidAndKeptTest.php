<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Key;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\FlakyLine;

/**
 * A length is typed, or pieces are ticked off, while the line to the server goes wrong by chance; then comes Enter, a
 * reload, a closed tab, or another
 * station. Once the line is whole again, what is kept is held against what was said. `bin/bench said` makes 300 of
 * these trials, or as many as it is told.
 */
final class SaidAndKeptTest extends BrowserTestCase
{
    private const ENDS = ['enter', 'reload', 'close', 'station'];

    public function testWhatIsKeptIsWhatWasSaidHoweverTheLineGoesWrong(): void
    {
        $trials = (int) (getenv('SAID_TRIALS') ?: 25);
        $seed = (int) (getenv('SAID_SEED') ?: 13);
        $line = FlakyLine::to($this->address());
        $browser = $this->open();
        $browser->get($line->address);
        $this->signIn($browser);
        $done = array_fill_keys(self::ENDS, 0);
        try {
            for ($n = 1; $n <= $trials; $n++) {
                $line->heals();
                $browser->get("{$line->address}/");
                $this->seen($browser, '.board');
                $job = $this->ownJob($browser, "Trial {$n}");
                $chance = new Randomizer(new Mt19937($seed + $n));
                $end = self::ENDS[$chance->getInt(0, 3)];
                $isTick = $chance->getInt(0, 2) === 0;
                [$said, $kept] = $isTick
                    ? $this->ticks($browser, $line, $job, $chance, $end, $seed + $n)
                    : $this->types($browser, $line, $job, $chance, $end, $seed + $n);
                self::assertSame(
                    $said,
                    $kept,
                    "trial {$n} of seed {$seed}, ".($isTick ? 'ticks' : 'a length').", then {$end}",
                );
                $done[$end]++;
            }
        } finally {
            $line->close();
        }
        if ($trials > 25) {
            fprintf(
                STDOUT,
                "\nkept equals said in %d of %d trials: %s\n",
                array_sum($done),
                $trials,
                json_encode($done, JSON_THROW_ON_ERROR),
            );
        }
    }

    /** @return array{string, string} what was said, and what is kept */
    private function types(
        RemoteWebDriver $browser,
        FlakyLine $line,
        string $job,
        Randomizer $chance,
        string $end,
        int $seed,
    ): array {
        $this->openAt($browser, $line, $job, 'route');
        $this->until(fn (): bool => $this->callOut($browser) !== '', 'the line is there');
        $inches =
            $chance->getInt(1, 9).
            $chance->getInt(0, 9).
            $chance->getInt(0, 9).
            ($chance->getInt(0, 1) === 0 ? '' : '0');
        $line->goesWrong($chance->getInt(3, 9) / 10, $seed);
        $browser->findElement(WebDriverBy::id('call-out'))->sendKeys(Key::END);
        foreach (str_split(" / left {$inches}") as $key) {
            $this->keys($browser, $key);
            usleep($chance->getInt(0, 4) === 0 ? $chance->getInt(0, 900) * 1000 : 0);
        }
        if ($end === 'enter' || $chance->getInt(0, 1) === 0) {
            $this->keys($browser, Key::ENTER);
        }
        $this->ends($browser, $line, $job, $chance, $end);
        $legs = $this->stored($browser, $line, $job)['legs'];
        $last = $legs[count($legs) - 1];

        return [
            'left '.sprintf('%.3f', (int) $inches * 25.4),
            $last['way'].' '.sprintf('%.3f', $last['length_mm'] ?? 0),
        ];
    }

    /** @return array{string, string} what was said, and what is kept */
    private function ticks(
        RemoteWebDriver $browser,
        FlakyLine $line,
        string $job,
        Randomizer $chance,
        string $end,
        int $seed,
    ): array {
        $this->openAt($browser, $line, $job, 'cut');
        $this->seen($browser, '.cut-row .tick');
        $line->goesWrong($chance->getInt(3, 9) / 10, $seed);
        $count = $chance->getInt(1, 3);
        for ($i = 0; $i < $count; $i++) {
            $this->until(
                static fn (): bool => $browser->executeScript(
                    'const tick = document.querySelector(".cut-row .tick:not(.on)"); tick?.click(); return tick !== null',
                ) === true,
                'there is a piece to tick off',
            );
            usleep($chance->getInt(0, 2) === 0 ? $chance->getInt(0, 900) * 1000 : 60_000);
        }
        $this->ends($browser, $line, $job, $chance, $end);

        return ["{$count} ticks", count($this->stored($browser, $line, $job)['cut']).' ticks'];
    }

    private function ends(RemoteWebDriver $browser, FlakyLine $line, string $job, Randomizer $chance, string $end): void
    {
        usleep($chance->getInt(0, 1) === 0 ? 0 : $chance->getInt(0, 1500) * 1000);
        match ($end) {
            'reload' => $browser->navigate()->refresh(),
            'close' => $this->closes($browser),
            'station' => $browser->executeScript(
                'document.querySelector(".strip a[href$=\'/hang\']")?.click(); return null',
            ),
            default => null,
        };
        usleep($chance->getInt(0, 1) === 0 ? 0 : $chance->getInt(0, 1500) * 1000);
        $line->heals();
        // A page that could not even be loaded is loaded again, as anybody would.
        if ($browser->executeScript('return document.querySelector(".kept") === null') === true) {
            $this->openAt($browser, $line, $job, 'route');
        }
        $this->kept($browser);
        $this->addToAssertionCount(1);
    }

    private function closes(RemoteWebDriver $browser): void
    {
        $old = $browser->getWindowHandle();
        $browser->switchTo()->newWindow();
        $new = $browser->getWindowHandle();
        $browser->switchTo()->window($old);
        $browser->close();
        $browser->switchTo()->window($new);
    }

    private function openAt(RemoteWebDriver $browser, FlakyLine $line, string $job, string $station): void
    {
        $browser->get("{$line->address}/jobs/{$job}/runs/glaze/{$station}");
        $this->seen($browser, '.fall-line');
    }

    /** @return array{legs: list<array{way: string, length_mm?: float}>, cut: list<mixed>} as the server has it */
    private function stored(RemoteWebDriver $browser, FlakyLine $line, string $job): array
    {
        $browser->get("{$line->address}/");
        $this->seen($browser, '.board');
        self::assertStringNotContainsString(
            'stored on this device',
            $this->text($browser, '.board'),
            'nothing is left in the browser',
        );
        /** @var array{legs: list<array{way: string, length_mm?: float}>, cut: list<mixed>} $stored */
        $stored = $browser->executeAsyncScript(
            <<<'JS'
            const [job, done] = arguments;
            const headers = { Accept: 'application/json' };
            const ask = (path) => fetch(`/api/jobs/${job}${path}`, { headers }).then((answer) => answer.json());
            Promise.all([ask(''), ask('/log')]).then(([{ document: plan }, log]) => done({
                legs: plan.runs.find((run) => run.id === 'glaze').legs,
                cut: log.entries.filter((one) => one.kind === 'cut' && one.run === 'glaze'),
            }));
            JS
            ,
            [$job],
        );

        return $stored;
    }
}
