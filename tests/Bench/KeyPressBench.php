<?php

declare(strict_types=1);

namespace Tests\Bench;

use Tests\Browser\BrowserTestCase;

/** How long a key press in the call-out line takes until the fall line is drawn anew. Reported, not judged. */
final class KeyPressBench extends BrowserTestCase
{
    private const PRESSES = 60;

    public function testReportsWhatAKeyPressTakes(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $this->openRun($browser, $this->ownJob($browser, 'Key press'), 'clay-wash');
        /** @var list<float> $ms */
        $ms = $browser->executeAsyncScript(<<<'JS'
            const [presses, done] = arguments;
            const area = document.querySelector('#call-out');
            const set = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set;
            const start = area.value;
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
            JS, [self::PRESSES]);
        sort($ms);
        self::assertCount(self::PRESSES, $ms);
        fprintf(STDOUT, "\nFrom key press to drawing, %d presses on a run of 8 pieces: %.0f ms median, %.0f ms at the 95th percentile, %.0f ms at most\n",
            self::PRESSES, $ms[intdiv(self::PRESSES, 2)], $ms[(int) (self::PRESSES * 0.95)], $ms[self::PRESSES - 1]);
    }
}
