<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use PHPUnit\Framework\Attributes\DataProvider;

/** Every view, on paper and in the dark, as axe judges it by WCAG 2.2 A and AA; and none is wider than its window. */
final class AccessibilityTest extends BrowserTestCase
{
    private const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'wcag22a'];

    private const OTHERS = [
        '/',
        '/?shelf=deleted',
        '/account',
        '/address/of-a-letter',
        '/start',
        '/start/branch',
        '/start/uk-trap',
        '/start/branch/paper',
        '/how-to/tub-waste',
        '/bench/identify',
        '/bench/joins',
        '/bench/catalogue',
        '/bench/own',
        '/bench/instruments',
        '/nowhere',
    ];

    /** @return iterable<string, array{int, int}> 640 wide is a window of 1280 at 200 % */
    public static function windows(): iterable
    {
        yield 'on a desk' => [1280, 800];
        yield 'on a phone' => [390, 844];
        yield 'on the narrowest phone' => [320, 640];
        yield 'at 200 %' => [640, 400];
    }

    #[DataProvider('windows')]
    public function testEveryViewIsWithinReach(int $width, int $height): void
    {
        $browser = $this->open($width, $height);
        $axe = (string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js');
        $wrong = $this->judged($browser, $axe, '/', $width);
        $wrong = [...$wrong, ...$this->judged($browser, $axe, '/forgotten', $width)];
        $browser->get($this->address().'/');
        $this->signIn($browser);
        $titles = [];
        foreach ([...$this->ofRuns($browser), ...self::OTHERS] as $path) {
            $wrong = [...$wrong, ...$this->judged($browser, $axe, $path, $width)];
            $titles[$path] = $browser->getTitle();
            self::assertNotSame(
                [],
                $browser->executeScript('return [...document.querySelectorAll("h1")].map((h) => h.textContent)'),
                "{$path} has a heading",
            );
        }
        self::assertSame([], $wrong);
        // Views of the same station have one title; every other page has its own.
        $isOwn = static fn (string $path): bool => ! str_contains($path, '?');
        $own = array_filter($titles, $isOwn, ARRAY_FILTER_USE_KEY);
        self::assertSame($own, array_unique($own));
    }

    /** @return list<string> what is wrong with a view: in both modes where it is as wide as people mostly have it */
    private function judged(RemoteWebDriver $browser, string $axe, string $path, int $width): array
    {
        $this->view($browser, $path);
        $wide = $browser->executeScript('return document.documentElement.scrollWidth');
        $wrong = is_int($wide) && $wide > $width ? ["{$path} is {$wide} wide"] : [];
        $browser->executeScript($axe);
        foreach (in_array($width, [1280, 390], true) ? ['paper', 'cellar'] : ['paper'] as $mode) {
            /** @var list<string> $violations */
            $violations = $browser->executeAsyncScript(
                <<<'JS'
                const [mode, rules, done] = arguments;
                document.documentElement.dataset.mode = mode;
                axe.run(document, { runOnly: rules, resultTypes: ['violations'] }).then(
                    ({ violations }) => done(violations.flatMap(({ id, nodes }) => nodes.slice(0, 3).map((node) =>
                        `${id}: ${node.target.join(' ')} ${node.failureSummary}`))),
                    (error) => done([String(error)]),
                );
                JS
                ,
                [$mode, self::RULES],
            );
            foreach ($violations as $violation) {
                $wrong[] = "{$path} in {$mode}: {$violation}";
            }
        }

        return $wrong;
    }

    /** @return list<string> addresses of all that is shown of a run of each demo job */
    private function ofRuns(RemoteWebDriver $browser): array
    {
        $paths = [];
        foreach (['Mill Row Pottery' => 'glaze', 'Weir Cottage office' => 'basin'] as $name => $run) {
            $id = $this->demoJob($browser, $name);
            foreach (['look', ...self::OF_A_RUN] as $what) {
                $paths[] = "/jobs/{$id}/runs/{$run}/{$what}";
            }
        }

        return $paths;
    }
}
