<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverKeys;

/** In the cellar there is no signal: what was opened before is read there, and what is done there arrives later. */
final class OfflineTest extends BrowserTestCase
{
    use PhoneOnALine;

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

        $from = time();
        $this->at($phone, $job, 'glue-up', '.glue-steps');
        $this->made($phone, 14);
        $this->at($phone, $job, 'record', '.station');
        $this->noted($phone, range(1, 16));
        foreach (['The wye.', 'The slab.', 'The band.'] as $n => $what) {
            $this->photographed($phone, $what);
            $this->until(fn (): bool => $this->waiting($phone, 'picture') === $n + 1, 'the picture is kept');
        }
        $phone = $this->again($phone);
        $killed = time();
        $this->at($phone, $job, 'record', '.station');
        $this->until(fn (): bool => $this->waiting($phone) === 30, 'they are there');
        $this->until(fn (): bool => $this->waiting($phone, 'picture') === 3, 'the pictures, too');
        $this->noted($phone, range(17, 26));

        $desk = $this->open();
        $this->signIn($desk);
        $this->openRun($desk, $job);
        $this->happened($desk, $job, [['kind' => 'note', 'note' => 'at the desk, before']]);
        $this->line->goesWrong(0.33, 19);
        $this->seen($desk, '#call-out')->sendKeys(WebDriverKeys::END.' / right 20');
        $this->happened($desk, $job, [['kind' => 'note', 'note' => 'at the desk, meanwhile']]);
        $this->kept($desk);
        $this->until(fn (): bool => $this->waiting($phone) === 0, 'all that was said arrives', self::PATIENCE_S);
        $this->until(fn (): bool => $this->waiting($phone, 'picture') === 0, 'all pictures do', self::PATIENCE_S);
        // Each that arrived is named by one entry more.
        $this->until(fn (): bool => $this->waiting($phone) === 0, 'and what names them', self::PATIENCE_S);
        $this->line->heals();

        $log = $this->logOf($desk, $job);
        $pictures = array_filter($log, static fn (array $one): bool => $one['kind'] === 'photograph');
        self::assertEqualsCanonicalizing(
            ['The wye.', 'The slab.', 'The band.'],
            array_column(array_column($pictures, 'said'), 'note'),
            'each picture once',
        );
        $joints = array_values(array_filter($log, static fn (array $one): bool => $one['kind'] === 'joint'));
        self::assertCount(14, array_unique(array_column(array_column($joints, 'said'), 'joint')), 'each joint');
        $notes = array_column(
            array_column(array_filter($log, static fn (array $one): bool => $one['kind'] === 'note'), 'said'),
            'note',
        );
        $atTheDesk = ['at the desk, before', 'at the desk, meanwhile'];
        self::assertSame($atTheDesk, array_values(array_intersect($notes, $atTheDesk)));
        $written = array_values(array_diff($notes, $atTheDesk));
        self::assertSame(array_map(static fn (int $n): string => "note {$n}", range(1, 26)), $written, 'in order');
        self::assertCount(14 + 26 + 2 + 3, $log, 'each once');
        $ofThePhone = array_values(array_filter(
            $log,
            static fn (array $one): bool => in_array($one['kind'], ['joint', 'note'], true) &&
                ! in_array($one['said']['note'] ?? '', $atTheDesk, true),
        ));
        $made = array_map(static fn (array $one): int => (int) strtotime((string) $one['made_at']), $ofThePhone);
        $sorted = $made;
        sort($sorted);
        self::assertSame($sorted, $made, 'at the times at which it was done');
        self::assertGreaterThanOrEqual($from - 1, $made[0]);
        self::assertLessThanOrEqual($killed + 1, $made[29], 'those before it was ended');
        self::assertGreaterThanOrEqual($killed - 1, $made[30], 'those after');

        $phone->get("{$this->line->address}/jobs/{$job}/runs/glaze/route");
        $this->until(
            fn (): bool => str_contains($this->callOut($phone), 'right 20'),
            'what the desk changed is in the job',
        );
        $this->until(
            fn (): bool => ! str_contains($this->text($phone, 'body'), 'No connection'),
            'and the phone says so no more',
        );
    }

    public function testACutThatCameOutLongerIsReckonedOnWithoutAConnectionAsTheServerDoes(): void
    {
        $phone = $this->open(390, 844, at: $this->line->address);
        $this->signIn($phone);
        $job = $this->ownJob($phone, 'Cut long');
        $this->at($phone, $job, 'cut', '.cut-row');
        $this->until(fn (): bool => $this->isKept($phone, $job), 'the job and the application are on the phone');
        $this->line->isCut();
        $phone = $this->again($phone);
        $this->at($phone, $job, 'cut', '.cut-row');
        $before = $this->cutLengths($phone);
        $this->seen($phone, '.cut-row')->click();
        $this->tap($phone, '.cut-row button', 'Different length');
        // More than its fittings are in doubt: what is less is trimmed, and moves nothing.
        for ($i = 0; $i < 12; $i++) {
            $this->tap($phone, '.tick-other button', '1/16 longer');
        }
        $this->tap($phone, '.tick-other button', 'Reckon on from it');
        $this->until(
            fn (): bool => str_contains($this->text($phone, 'body'), 'added up on this device') ||
                str_contains($this->text($phone, 'body'), 'not known here yet'),
            'it is said who reckoned',
        );
        $here = $this->cutLengths($phone);
        self::assertStringContainsString('added up on this device', $this->text($phone, 'body'));
        self::assertNotSame($before, $here, 'another piece takes it up');
        $this->line->heals();
        $this->until(
            fn (): bool => ! str_contains($this->text($phone, 'body'), 'added up on this device') &&
                ! str_contains($this->text($phone, 'body'), 'No connection'),
            'it is sent',
            self::PATIENCE_S,
        );
        $phone->get("{$this->line->address}/jobs/{$job}/runs/clay-wash/cut");
        $this->until(fn (): bool => count($this->cutLengths($phone)) === count($here), 'it is read anew');
        self::assertSame($here, $this->cutLengths($phone), 'the server comes to the same');
    }

    /** @return list<string> what stands at the pieces of the run */
    private function cutLengths(RemoteWebDriver $phone): array
    {
        /** @var list<string> $lengths */
        $lengths = $phone->executeScript(
            'return [...document.querySelectorAll(".cut-row .cut-length")].map((one) => one.textContent)',
        );

        return $lengths;
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
            90,
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
        foreach (['outlet', 'tie-in'] as $joint) {
            $phone->get("{$this->line->address}/jobs/{$job}/runs/galley/joints?joint={$joint}");
            $this->until(
                fn (): bool => str_contains($this->text($phone, '.station.joints'), 'all joints'),
                'the card of a joint that was never opened',
            );
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

    private function photographed(RemoteWebDriver $phone, string $what): void
    {
        $field = $this->seen($phone, '.record-form input[type=file]');
        self::assertInstanceOf(RemoteWebElement::class, $field);
        $field->setFileDetector(new LocalFileDetector)->sendKeys(dirname(__DIR__).'/Support/joint.jpg');
        $this->seen($phone, '.record-form input[name=note]')->sendKeys($what);
        $this->tap($phone, '.record-form button', 'Keep the picture');
    }

    /** What the record says of the joints. */
    private function shown(RemoteWebDriver $phone): string
    {
        return $this->text($phone, '.station');
    }
}
