<?php

declare(strict_types=1);

namespace Tests\Bench;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Symfony\Component\Process\Process;
use Tests\Browser\BrowserTestCase;

/**
 * How long a key press in the call-out line takes until the fall line is drawn anew, while nobody else asks anything,
 * and while
 * four heavy questions are asked all the time. Reported, not judged.
 */
final class KeyPressBench extends BrowserTestCase
{
    private const PRESSES = 60;

    public function testReportsWhatAKeyPressTakes(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Key press'), 'clay-wash');
        $this->presses($browser, 10);
        $quiet = $this->presses($browser, self::PRESSES);
        self::report('on a run of 8 pieces', $quiet);
        $heavy = new Process(['php', __DIR__.'/heavy-questions.php', $this->address()], timeout: null);
        $heavy->start();
        sleep(2);
        $busy = $this->presses($browser, self::PRESSES);
        self::assertTrue($heavy->isRunning(), $heavy->getOutput().$heavy->getErrorOutput());
        $heavy->stop(5, SIGTERM);
        self::report('with four heavy questions', $busy);
        [$half, $answered] = [intdiv(self::PRESSES, 2), substr_count($heavy->getOutput(), "\n")];
        fprintf(
            STDOUT,
            "busy over quiet: %.2f (medians); %d heavy questions were answered meanwhile\n",
            $busy[$half] / $quiet[$half],
            $answered,
        );
        self::assertGreaterThan(0, $answered, 'the questions were asked, and answered');
    }

    /** @return list<float> milliseconds, shortest first */
    private function presses(RemoteWebDriver $browser, int $presses): array
    {
        /** @var list<float> $ms */
        $ms = $browser->executeAsyncScript(
            <<<'JS'
            const [presses, done] = arguments;
            const area = document.querySelector('#call-out');
            const set = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set;
            const start = area.value.replace(/ \/ right \d+$/, '');
            const times = [];
            const press = (i) => {
                if (i === presses) return done(times);
                const panel = document.querySelector('.fall-panel');
                const began = performance.now();
                const seen = new MutationObserver(() => {
                    seen.disconnect();
                    // The frame after the change is the first that shows it.
                    requestAnimationFrame(() => requestAnimationFrame(() => { times.push(performance.now() - began); setTimeout(() => press(i + 1), 120); }));
                });
                seen.observe(panel, { childList: true, subtree: true, attributes: true, characterData: true });
                set.call(area, `${start} / right ${20 + i}`);
                area.dispatchEvent(new Event('input', { bubbles: true }));
            };
            area.focus();
            press(0);
            JS
            ,
            [$presses],
        );
        self::assertCount($presses, $ms);
        sort($ms);

        return $ms;
    }

    /** @param list<float> $ms */
    private static function report(string $when, array $ms): void
    {
        fprintf(
            STDOUT,
            "\nFrom key press to drawing, %d presses %s: %.0f ms median, %.0f ms at the 95th percentile, %.0f ms at most\n",
            count($ms),
            $when,
            $ms[intdiv(count($ms), 2)],
            $ms[(int) (count($ms) * 0.95)],
            $ms[count($ms) - 1],
        );
    }
}
