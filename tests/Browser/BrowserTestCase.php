<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverDimension;
use Facebook\WebDriver\WebDriverElement;
use Facebook\WebDriver\WebDriverKeys;
use PHPUnit\Framework\TestCase;
use RuntimeException;
use Throwable;

/**
 * Headless Chromium against the application as it is served. bin/test starts both and names them in the environment.
 */
abstract class BrowserTestCase extends TestCase
{
    /** What is shown of a run, but for what stands already: the rest of its address. */
    protected const OF_A_RUN = [
        'route',
        'route?view=house',
        'route?view=loads',
        'route?view=drilling',
        'make-up',
        'joints',
        'cut',
        'cut/ticket',
        'hang',
        'glue-up',
        'test',
        'record',
    ];

    /** @var list<array{RemoteWebDriver, string}> */
    private array $opened = [];

    /**
     * A page that failed by the way is seen, whatever else the test looks at; requests that were refused or got no
     * answer are its own.
     */
    protected function assertPostConditions(): void
    {
        foreach ($this->opened as [$browser]) {
            /** @var list<array{level: string, message: string}> $log */
            $log = $browser->manage()->getLog('browser');
            // What is measured twice in one frame is drawn in the next: no failure.
            $failed = array_filter(
                array_column($log, 'message'),
                static fn (string $message): bool => ! str_contains($message, 'Failed to load resource') &&
                    ! str_contains($message, 'ResizeObserver loop'),
            );
            self::assertSame([], array_values($failed));
        }
    }

    protected function tearDown(): void
    {
        foreach ($this->opened as [$browser, $folder]) {
            $browser->quit();
            exec('rm -rf '.escapeshellarg($folder));
        }
        $this->opened = [];
    }

    /**
     * Opens a browser at the entrance.
     *
     * @param ?string $folder that another browser kept what it stores in: it is as if that were opened again
     * @param ?string $at other address of the server
     */
    protected function open(
        int $width = 1280,
        int $height = 800,
        ?string $folder = null,
        ?string $at = null,
    ): RemoteWebDriver {
        $isNew = $folder === null;
        $folder ??= sys_get_temp_dir().'/fall-bend-browser-'.bin2hex(random_bytes(6));
        $options = (new ChromeOptions)->addArguments([
            '--headless=new',
            '--no-sandbox',
            '--disable-gpu',
            '--disable-quic',
            '--no-first-run',
            '--disable-background-networking',
            '--disable-component-update',
            '--disable-sync',
            '--disable-dev-shm-usage',
            '--hide-scrollbars',
            "--user-data-dir={$folder}",
        ]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY, $options);
        $capabilities->setCapability('goog:loggingPrefs', ['browser' => 'SEVERE']);
        $browser = RemoteWebDriver::create(self::fromEnvironment('BROWSER_DRIVER'), $capabilities, 30_000, 60_000);
        $this->opened[] = [$browser, $folder];
        $this->resize($browser, $width, $height);
        if ($this->latency() > 0) {
            $this->devTools($browser, 'Network.enable', []);
            $this->network($browser);
        }
        $browser->get(($at ?? self::fromEnvironment('BROWSER_BASE')).'/');
        if ($isNew) {
            $this->seen($browser, '#email');
        }

        return $browser;
    }

    /** Ends a browser in the middle of what it does; gives where what it stored is. */
    protected function shut(RemoteWebDriver $browser): string
    {
        $isOther = static fn (array $one): bool => $one[0] !== $browser;
        foreach (array_filter($this->opened, static fn (array $one): bool => ! $isOther($one)) as [$ours, $folder]) {
            $ours->quit();
            $this->opened = array_values(array_filter($this->opened, $isOther));

            return $folder;
        }
        self::fail('this browser was not opened here');
    }

    /** Ends a browser in the middle of what it does; what it stored goes with it. */
    protected function kill(RemoteWebDriver $browser): void
    {
        $isOther = static fn (array $one): bool => $one[0] !== $browser;
        foreach (array_filter($this->opened, static fn (array $one): bool => ! $isOther($one)) as [$ours, $folder]) {
            $ours->quit();
            exec('rm -rf '.escapeshellarg($folder));
        }
        $this->opened = array_values(array_filter($this->opened, $isOther));
    }

    /** Makes the inside of the window exactly so large; narrow ones as a phone. */
    protected function resize(RemoteWebDriver $browser, int $width, int $height): void
    {
        if ($width < 500) {
            $this->devTools($browser, 'Emulation.setDeviceMetricsOverride', [
                'width' => $width,
                'height' => $height,
                'deviceScaleFactor' => 1,
                'mobile' => true,
            ]);

            return;
        }
        $browser->manage()->window()->setSize(new WebDriverDimension($width, $height));
        /** @var array{int, int} $frame */
        $frame = $browser->executeScript('return [outerWidth - innerWidth, outerHeight - innerHeight]');
        $browser->manage()->window()->setSize(new WebDriverDimension($width + $frame[0], $height + $frame[1]));
    }

    /** @param array<string, mixed> $params */
    protected function devTools(RemoteWebDriver $browser, string $command, array $params): void
    {
        $browser->executeCustomCommand('/session/:sessionId/chromium/send_command_and_get_result', 'POST', [
            'cmd' => $command,
            'params' => (object) $params,
        ]);
    }

    /**
     * How the browser reaches the server: not at all, or with answers that take at least so long as BROWSER_LATENCY
     * says.
     */
    protected function network(RemoteWebDriver $browser, bool $offline = false): void
    {
        $this->devTools($browser, 'Network.emulateNetworkConditions', [
            'offline' => $offline,
            'latency' => $this->latency(),
            'downloadThroughput' => -1,
            'uploadThroughput' => -1,
        ]);
    }

    /** Milliseconds; on a slow line what a test reads too early is not there yet, whichever machine it runs on. */
    private function latency(): int
    {
        return (int) getenv('BROWSER_LATENCY');
    }

    protected function signIn(RemoteWebDriver $browser, string $who = 'lead'): void
    {
        $this->seen($browser, '#email')->sendKeys("{$who}@mill-row.example");
        $this->seen($browser, '#password')->sendKeys('clay-wash'.WebDriverKeys::ENTER);
        $this->seen($browser, '.board');
    }

    /**
     * Starts a job of its own from the demo, so that tests do not meet; gives its id.
     *
     * @param list<array<string, mixed>> $glaze other legs of the run from the glaze sink
     */
    protected function ownJob(RemoteWebDriver $browser, string $name, array $glaze = []): string
    {
        $document =
            ['name' => $name] +
            (array) json_decode(
                (string) file_get_contents(dirname(__DIR__, 2).'/database/demo/mill-row-pottery.json'),
                true,
            );
        foreach ($document['runs'] as $n => $run) {
            if ($run['id'] === 'glaze' && $glaze !== []) {
                unset($run['marks'], $run['next_leg']);
                $document['runs'][$n] = ['legs' => $glaze] + $run;
            }
        }

        return $this->startJob($browser, $document);
    }

    /**
     * Says in the log of a job what happened on site.
     *
     * @param list<array<string, mixed>> $events each with its kind
     */
    protected function happened(RemoteWebDriver $browser, string $job, array $events): void
    {
        $entries = array_map(
            static fn (array $event): array => $event + [
                'key' => 'test-'.bin2hex(random_bytes(8)),
                'made_at' => '2026-11-25T10:00:00Z',
                'age_s' => 0,
            ],
            $events,
        );
        $status = $browser->executeAsyncScript(
            <<<'JS'
            const [path, body, done] = arguments;
            const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1]);
            const headers = { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token };
            fetch(path, { method: 'POST', headers, body: JSON.stringify(body) }).then((answer) => done(answer.status));
            JS
            ,
            ["/api/jobs/{$job}/log", ['device' => 'test', 'entries' => $entries]],
        );
        self::assertSame(200, $status);
    }

    /**
     * Starts a job with a document of its own; gives its id.
     *
     * @param array<array-key, mixed> $document
     */
    protected function startJob(RemoteWebDriver $browser, array $document): string
    {
        $id = $browser->executeAsyncScript(
            <<<'JS'
            const [document_, done] = arguments;
            const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)[1]);
            fetch('/api/jobs', { method: 'POST', headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token }, body: JSON.stringify({ document: document_ }) })
                .then((answer) => answer.json()).then((job) => done(job.id));
            JS
            ,
            [$document],
        );
        self::assertIsString($id);

        return $id;
    }

    /** @return array<array-key, mixed> the document of a job of the demo, as it ships */
    protected static function demoDocument(string $name): array
    {
        return (array) json_decode(
            (string) file_get_contents(dirname(__DIR__, 2)."/database/demo/{$name}.json"),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
    }

    protected function openRun(
        RemoteWebDriver $browser,
        string $job,
        string $run = 'glaze',
        string $station = 'route',
    ): void {
        $browser->get(self::fromEnvironment('BROWSER_BASE')."/jobs/{$job}/runs/{$run}/{$station}");
        $this->seen($browser, '.fall-line');
    }

    /** The id of a job of the demo. */
    protected function demoJob(RemoteWebDriver $browser, string $name): string
    {
        $id = $browser->executeAsyncScript(
            <<<'JS'
            const [name, done] = arguments;
            fetch('/api/jobs?search=' + encodeURIComponent(name))
                .then((answer) => answer.json())
                .then(({ jobs }) => done(jobs.find((job) => job.name === name).id));
            JS
            ,
            [$name],
        );
        self::assertIsString($id);

        return $id;
    }

    /** Goes to a view, and waits until it is there: with its heading, and without anything that is still fetched. */
    protected function view(RemoteWebDriver $browser, string $path): void
    {
        $browser->get($this->address().$path);
        $this->until(
            static fn (): bool => $browser->executeScript(
                'return document.querySelector("main") !== null && document.querySelector("h1") !== null'.
                    ' && document.querySelector("[aria-busy=true]") === null'.
                    ' && ![...document.querySelectorAll(".waiting")]'.
                    '.some((p) => /^(One|Opening|Fetch)/.test(p.innerText));',
            ) === true,
            "{$path} is there",
        );
    }

    protected function address(): string
    {
        return self::fromEnvironment('BROWSER_BASE');
    }

    protected function seen(RemoteWebDriver $browser, string $selector): WebDriverElement
    {
        $this->until(
            static fn (): bool => $browser->findElements(WebDriverBy::cssSelector($selector)) !== [],
            "{$selector} is not there",
        );

        return $browser->findElement(WebDriverBy::cssSelector($selector));
    }

    protected function text(RemoteWebDriver $browser, string $selector): string
    {
        return (string) $browser->executeScript('return document.querySelector(arguments[0])?.textContent ?? ""', [
            $selector,
        ]);
    }

    protected function callOut(RemoteWebDriver $browser): string
    {
        return (string) $browser->executeScript('return document.querySelector("#call-out")?.value ?? ""');
    }

    /** @return list<string> the tags of the fall line, `piece A`, `joint 1` … */
    protected function tags(RemoteWebDriver $browser): array
    {
        /** @var list<string> $tags */
        $tags = $browser->executeScript(
            'return [...document.querySelectorAll(".fall-panel [data-tag]")].map((tag) => tag.dataset.tag)',
        );

        return $tags;
    }

    protected function keys(RemoteWebDriver $browser, string ...$keys): void
    {
        // The page may draw anew between asking for the element and typing into it.
        try {
            $browser->switchTo()->activeElement()->sendKeys(implode('', $keys));
        } catch (StaleElementReferenceException) {
            usleep(300_000);
            $browser->switchTo()->activeElement()->sendKeys(implode('', $keys));
        }
    }

    protected function button(RemoteWebDriver $browser, string $text): void
    {
        $this->press(
            $browser,
            WebDriverBy::xpath("//button[normalize-space()='{$text}']"),
            '',
            "the button “{$text}” is not there",
        );
    }

    /** Taps the first thing of a kind that has these words in it. */
    protected function tap(RemoteWebDriver $browser, string $selector, string $words): void
    {
        $this->press($browser, WebDriverBy::cssSelector($selector), $words, "{$selector} “{$words}” is not there");
    }

    /** Finds and clicks in one try: between the two the page may draw anew, and then it is tried again. */
    private function press(RemoteWebDriver $browser, WebDriverBy $by, string $words, string $else): void
    {
        $this->until(static function () use ($browser, $by, $words): bool {
            foreach ($browser->findElements($by) as $element) {
                if ($words === '' || str_contains($element->getText(), $words)) {
                    $browser->executeScript('arguments[0].scrollIntoView({ block: "center" }); return null', [
                        $element,
                    ]);
                    $element->click();

                    return true;
                }
            }

            return false;
        }, $else);
    }

    /**
     * Answers of an address come only once they are let through: what is done meanwhile is done before them, however
     * fast the machine is.
     */
    protected function holdBack(RemoteWebDriver $browser, string $path): void
    {
        $browser->executeScript(
            <<<'JS'
            const [path, ask] = [arguments[0], window.fetch];
            let letThrough;
            const held = new Promise((done) => { letThrough = done; });
            window.letThrough = () => { window.fetch = ask; letThrough(); };
            window.fetch = async (where, how) => {
                const answer = await ask(where, how);
                if (where === path) await held;
                return answer;
            };
            return null;
            JS
            ,
            [$path],
        );
    }

    protected function letThrough(RemoteWebDriver $browser): void
    {
        $browser->executeScript('window.letThrough(); return null');
    }

    protected function kept(RemoteWebDriver $browser): void
    {
        $this->until(
            static fn (): bool => $browser->executeScript('return document.querySelector(".kept")?.dataset.saving') ===
                'saved',
            'it is not saved',
        );
    }

    /** @param callable(): bool $holds */
    protected function until(callable $holds, string $else, int $seconds = 15): void
    {
        $end = microtime(true) + $seconds;
        while (true) {
            try {
                if ($holds()) {
                    $this->addToAssertionCount(1);

                    return;
                }
            } catch (Throwable $error) {
                if (microtime(true) > $end) {
                    throw $error;
                }
            }
            if (microtime(true) > $end) {
                self::fail($else);
            }
            usleep(40_000);
        }
    }

    protected static function fromEnvironment(string $name): string
    {
        $value = getenv($name);

        return is_string($value) && $value !== ''
            ? $value
            : throw new RuntimeException("{$name} is not set: browser tests are run by bin/test.");
    }
}
