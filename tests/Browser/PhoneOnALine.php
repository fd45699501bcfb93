<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Tests\Support\FlakyLine;

/** A phone whose line to the server goes wrong, or is cut: what it keeps, and what waits on it. */
trait PhoneOnALine
{
    /** What goes wrong is tried again a quarter of a minute later, and may go wrong again. */
    private const PATIENCE_S = 120;

    private FlakyLine $line;

    protected function setUp(): void
    {
        parent::setUp();
        $this->line = FlakyLine::to(self::fromEnvironment('BROWSER_BASE'));
    }

    protected function tearDown(): void
    {
        $this->line->close();
        parent::tearDown();
    }

    /** @param list<int> $numbers of the notes that are written into the record, one after another */
    private function noted(RemoteWebDriver $phone, array $numbers): void
    {
        foreach ($numbers as $n) {
            $before = $this->waiting($phone);
            $this->seen($phone, '.record-form textarea')->sendKeys("note {$n}");
            $this->tap($phone, '.record-form button', 'Note it');
            $this->until(fn (): bool => $this->waiting($phone) === $before + 1, "note {$n} is kept on the phone");
        }
    }

    /** @return list<array{kind: string, made_at: string, said: array<string, mixed>}> the log, as the server has it */
    private function logOf(RemoteWebDriver $browser, string $job): array
    {
        $log = $browser->executeScript(
            'return fetch("/api/jobs/'.$job.'/log?after=0").then((answer) => answer.json())',
        );
        self::assertIsArray($log);

        return $log['entries'];
    }

    /** How many entries, or pictures, wait on the phone to be sent, as it says. */
    private function waiting(RemoteWebDriver $phone, string $what = 'entr'): int
    {
        preg_match(
            "/(\\d+) {$what}(?:y is|ies are|s are| is) kept on this device/",
            $this->text($phone, '.station'),
            $said,
        );

        return (int) ($said[1] ?? 0);
    }

    /** Ends the browser, and opens it again with what it stored. */
    private function again(RemoteWebDriver $phone): RemoteWebDriver
    {
        return $this->open(390, 844, $this->shut($phone), $this->line->address);
    }

    private function at(
        RemoteWebDriver $phone,
        string $job,
        string $station,
        string $shows,
        string $run = 'clay-wash',
    ): void {
        $phone->get("{$this->line->address}/jobs/{$job}/runs/{$run}/{$station}");
        $this->until(
            fn (): bool => strlen($this->text($phone, $shows)) > 20,
            "{$station} shows something: ".$this->text($phone, 'body'),
        );
    }

    private function isKept(RemoteWebDriver $phone, string $job): bool
    {
        return $phone->executeAsyncScript(
            <<<'JS'
            const [job, done] = arguments;
            (async () => {
                const isOpened = (await navigator.serviceWorker.getRegistration())?.active?.state === 'activated';
                const opening = indexedDB.open('fall-bend-answers');
                await new Promise((then) => (opening.onsuccess = then));
                const asked = opening.result.transaction('answers').objectStore('answers').get(`whole ${job}`);
                await new Promise((then) => (asked.onsuccess = then));
                opening.result.close();
                done(isOpened && asked.result !== undefined);
            })().catch(() => done(false));
            JS
            ,
            [$job],
        ) === true;
    }
}
