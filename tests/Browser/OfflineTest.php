<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Tests\Support\FlakyLine;

/** In the cellar there is no signal: what was opened before is read there, and what is done there arrives later. */
final class OfflineTest extends BrowserTestCase
{
    /** The nine stations, with what each of them shows of the run. */
    private const STATIONS = [
        'look' => '.station',
        'route' => '.leg-row',
        'make-up' => '.station',
        'joints' => '.register',
        'cut' => '.station',
        'hang' => '.station',
        'glue-up' => '.glue-steps',
        'test' => '.station',
        'record' => '.station',
    ];

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

    public function testAJobIsReadFromAColdStartAndWhatIsDoneThereArrivesOnce(): void
    {
        $phone = $this->open(390, 844, at: $this->line->address);
        $this->signIn($phone);
        $job = $this->ownJob($phone, 'No signal');
        foreach (self::STATIONS as $station => $shows) {
            $this->at($phone, $job, $station, $shows);
        }
        $online = $this->shown($phone);
        $this->until(fn (): bool => $this->isKept($phone, $job), 'the job and the application are on the phone');

        $this->line->isCut();
        $phone = $this->again($phone);
        foreach (self::STATIONS as $station => $shows) {
            $this->at($phone, $job, $station, $shows);
            self::assertStringContainsString(
                'No connection: what is shown was kept on this device.',
                $this->text($phone, 'body'),
                $station,
            );
        }
        self::assertSame($online, $this->shown($phone), 'the record says what it said');

        $this->at($phone, $job, 'glue-up', '.glue-steps');
        $this->made($phone, 5);
        $phone = $this->again($phone);
        $this->at($phone, $job, 'glue-up', '.glue-steps');
        $this->until(fn (): bool => $this->waiting($phone) === 5, 'they are there');
        $this->made($phone, 3);

        $this->line->goesWrong(0.33, 19);
        $this->until(fn (): bool => $this->waiting($phone) === 0, 'all of it arrives');
        $this->line->heals();
        $desk = $this->open();
        $this->signIn($desk);
        $log = $desk->executeScript(
            'return fetch("/api/jobs/'.$job.'/log?after=0").then((answer) => answer.json())',
        );
        self::assertIsArray($log);
        $joints = array_column(array_column($log['entries'], 'said'), 'joint');
        self::assertCount(8, $log['entries']);
        self::assertSame($joints, array_unique($joints), 'each once');
        $made = array_column($log['entries'], 'made_at');
        $sorted = $made;
        sort($sorted);
        self::assertSame($sorted, $made, 'in the order in which it was done');
        $this->until(
            fn (): bool => ! str_contains($this->text($phone, 'body'), 'No connection'),
            'and the phone says so no more',
        );
    }

    public function testWhatIsTakenAlongIsThereOfEveryRunAndGoesWithWhoeverSignsOut(): void
    {
        $phone = $this->open(390, 844, at: $this->line->address);
        $this->signIn($phone);
        $job = $this->ownJob($phone, 'Taken along');
        $this->at($phone, $job, 'route', '.leg-row');
        $this->seen($phone, '.head .dropdown .head-field')->click();
        $this->tap($phone, '.dropdown-item', 'Take it along');
        $this->until(
            fn (): bool => str_contains($this->text($phone, '.take-along'), 'It is on this device'),
            'all of it is asked and kept',
        );
        $this->until(fn (): bool => $this->isKept($phone, $job), 'the application, too');
        $phone->get("{$this->line->address}/");
        $this->until(fn (): bool => str_contains($this->text($phone, '.board'), 'Taken along'), 'it is on the board');
        // What was just shown is kept a moment later.
        sleep(2);
        $this->line->isCut();
        $phone = $this->again($phone);
        foreach (self::STATIONS as $station => $shows) {
            $this->at($phone, $job, $station, $shows, 'galley');
        }
        $phone->get("{$this->line->address}/");
        $this->until(fn (): bool => str_contains($this->text($phone, '.board'), 'Taken along'), 'the board is there');

        $this->line->heals();
        $this->until(fn (): bool => ! str_contains($this->text($phone, 'body'), 'No connection'), 'there is a line');
        $this->seen($phone, '.head .dropdown .head-field, .head .dropdown button')->click();
        $this->tap($phone, '.dropdown-item', 'Sign out');
        $this->seen($phone, '#email');
        $this->until(fn (): bool => ! $this->isKept($phone, $job), 'nothing of it stays on the phone');
        $this->line->isCut();
        $phone->get("{$this->line->address}/jobs/{$job}/runs/galley/route");
        $this->until(
            fn (): bool => str_contains($this->text($phone, 'body'), 'No answer from the server'),
            'and nobody else reads it',
        );
    }

    /** Makes so many of the joints that come next, one after another. */
    private function made(RemoteWebDriver $phone, int $count): void
    {
        for ($i = 0; $i < $count; $i++) {
            $before = $this->waiting($phone);
            $this->tap($phone, 'button', 'is made');
            $this->until(fn (): bool => $this->waiting($phone) === $before + 1, 'it is kept on the phone');
        }
    }

    /** How many entries wait on the phone to be sent, as it says. */
    private function waiting(RemoteWebDriver $phone): int
    {
        preg_match('/(\d+) entr(?:y is|ies are) kept on this device/', $this->text($phone, '.station'), $said);

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

    /** What the record says of the joints. */
    private function shown(RemoteWebDriver $phone): string
    {
        return $this->text($phone, '.station');
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
