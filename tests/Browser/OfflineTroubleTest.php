<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;

/** What is said where there is no signal outlasts an update, a full device, a session that ended and a second page. */
final class OfflineTroubleTest extends BrowserTestCase
{
    use PhoneOnALine;

    public function testAnUpdateOfTheApplicationLosesNothingThatWaitsOrIsBeingTyped(): void
    {
        [$phone, $job] = $this->phone('Updated');
        $this->line->isSilent();
        $this->noted($phone, [1, 2, 3]);
        $this->seen($phone, '.record-form textarea')->sendKeys('being typed');
        $this->line->isSilent('another-version-1');
        $phone->executeScript('void navigator.serviceWorker.getRegistration().then((one) => one.update())');
        $this->until(
            static fn (): bool => str_contains(
                (string) $phone->executeAsyncScript('caches.keys().then((all) => arguments[0](all.join()))'),
                'another-version-1',
            ),
            'the new version is there',
            30,
        );
        sleep(2);
        self::assertSame(
            'being typed',
            $phone->executeScript('return document.querySelector(".record-form textarea").value'),
            'nobody was reloaded',
        );
        self::assertSame(3, $this->waiting($phone));
        $this->line->isCut();
        $phone = $this->again($phone);
        $this->at($phone, $job, 'record', '.station');
        $this->until(fn (): bool => $this->waiting($phone) === 3, 'the new version has what the old one kept');
        $this->line->heals();
        $this->until(fn (): bool => $this->waiting($phone) === 0, 'it arrives', self::PATIENCE_S);
        self::assertSame(['note 1', 'note 2', 'note 3'], $this->notes($phone, $job));
    }

    public function testAFullDeviceSaysSoBeforeAnythingIsLost(): void
    {
        [$phone, $job] = $this->phone('Full');
        $this->line->isCut();
        $this->noted($phone, [1]);
        // What fills a device to the last letter.
        $phone->executeScript(
            <<<'JS'
            for (let size = 1 << 20, n = 0; size >= 1; n++) {
                try { localStorage.setItem(`full ${n}`, 'x'.repeat(size)); } catch { size >>= 1; }
            }
            JS
        );
        $this->seen($phone, '.record-form textarea')->sendKeys('no room for this');
        $this->tap($phone, '.record-form button', 'Note it');
        $this->until(
            fn (): bool => str_contains($this->text($phone, 'body'), 'no room on this device: leave this page open'),
            'it is said',
        );
        $this->line->heals();
        $this->until(
            fn (): bool => $this->notes($phone, $job) === ['note 1', 'no room for this'],
            'from the open page all of it arrives',
            self::PATIENCE_S,
        );
    }

    public function testASessionThatEndedKeepsWhatWaitsUntilTheSamePersonSignsIn(): void
    {
        [$phone, $job] = $this->phone('Signed out');
        $this->line->isCut();
        $this->noted($phone, [1, 2]);
        $this->line->heals();
        $phone->manage()->deleteAllCookies();
        $this->until(
            fn (): bool => str_contains($this->text($phone, '[role=dialog]'), 'Sign in'),
            'the page asks who it is',
            self::PATIENCE_S,
        );
        self::assertSame(2, $this->waiting($phone));
        $this->seen($phone, '[role=dialog] input[type=password]')->sendKeys('clay-wash');
        $this->tap($phone, '[role=dialog] button', 'Sign in');
        $this->until(fn (): bool => $this->waiting($phone) === 0, 'it is sent', self::PATIENCE_S);
        self::assertSame(['note 1', 'note 2'], $this->notes($phone, $job));
    }

    public function testTwoPagesOfOneDeviceSendEachThingOnce(): void
    {
        [$phone, $job] = $this->phone('Two pages');
        $first = $phone->getWindowHandle();
        $this->line->isCut();
        $this->noted($phone, [1, 2]);
        $phone->switchTo()->newWindow('tab');
        $second = $phone->getWindowHandle();
        $this->at($phone, $job, 'record', '.station');
        $this->until(fn (): bool => $this->waiting($phone) === 2, 'the second page has what the first one keeps');
        $this->noted($phone, [3]);
        $phone->switchTo()->window($first);
        $this->seen($phone, '.record-form textarea')->sendKeys('note 4');
        $this->tap($phone, '.record-form button', 'Note it');
        $this->until(fn (): bool => $this->waiting($phone) === 4, 'the first page has what the second one keeps, too');
        $this->line->goesWrong(0.4, 7);
        foreach ([$first, $second] as $page) {
            $phone->switchTo()->window($page);
            $this->until(fn (): bool => $this->waiting($phone) === 0, 'all of it arrives', self::PATIENCE_S);
        }
        $this->line->heals();
        $notes = $this->notes($phone, $job);
        sort($notes);
        self::assertSame(['note 1', 'note 2', 'note 3', 'note 4'], $notes);
    }

    /** @return array{RemoteWebDriver, string} a phone at the record of a job of its own, with all of it on the phone */
    private function phone(string $name): array
    {
        $phone = $this->open(390, 844, at: $this->line->address);
        $this->signIn($phone);
        $job = $this->ownJob($phone, $name);
        $this->at($phone, $job, 'record', '.station');
        $this->until(fn (): bool => $this->isKept($phone, $job), 'the job and the application are on the phone');

        return [$phone, $job];
    }

    /** @return list<string> the notes that the server has, in order */
    private function notes(RemoteWebDriver $phone, string $job): array
    {
        $notes = array_filter($this->logOf($phone, $job), static fn (array $one): bool => $one['kind'] === 'note');

        return array_column(array_column($notes, 'said'), 'note');
    }
}
