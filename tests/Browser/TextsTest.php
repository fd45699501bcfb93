<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use PHPUnit\Framework\Attributes\DataProvider;

/** What stands on the screens of both demo jobs: no raw keys, no units of the other country, no names of its things. */
final class TextsTest extends BrowserTestCase
{
    /** What nobody is to read: keys of data, names of fields and rules, numbers that are not rounded. */
    private const RAW = [
        'a key of pipe' => '/\b(?:pvc|abs|ci|pp|pvcu)-[a-z]+[a-z0-9-]*\b/',
        'a rule' => '/\b(?:run|joint|vent|trap|fitting|catalogue|drain|fall|joist|stud)\.[a-z]+[A-Z]\w*\b/',
        'a field' => '/\b\w+_(?:mm|deg|c|m_per_s)\b/',
        'a number that is not rounded' => '/\d\.\d{4,}/',
        'nothing' => '/\b(?:undefined|NaN)\b|\[object/',
    ];

    private const OF_INCHES = [
        'a metric unit' => '/\d ?(?:mm|cm|kg|l\/s|m\/s|litres?|°C)(?!\w)/u',
        'a UK name' => '/\b(?:WC|soil pipe|spanner)\b/',
        'British spelling' => '/\b(?:centre|colour|(?:milli)?metres?|litres?|calliper|catalogue|grey|licence)\b/i',
    ];

    private const OF_MILLIMETRES = [
        'an inch unit' => '/\d ?(?:ft|lb|gal|gpm|psi|°F)\b|\d″/u',
        'a US name' => '/\b(?:lavatory|water closet|faucet)\b/i',
        'American spelling' => '/\b(?:center|color|(?:milli)?meters?|liters?|caliper|catalog|gray)\b/i',
    ];

    /** @return iterable<string, array{string, string, string, array<string, string>}> */
    public static function runs(): iterable
    {
        foreach (['glaze', 'flat-galley', 'closet'] as $run) {
            yield "in inches, {$run}" => ['Mill Row Pottery', $run, 'en-US', self::OF_INCHES];
        }
        yield 'in millimetres, basin' => ['Weir Cottage office', 'basin', 'en-GB', self::OF_MILLIMETRES];
    }

    /** @param array<string, string> $foreign */
    #[DataProvider('runs')]
    public function testItSpeaksTheLanguageOfItsJob(string $job, string $run, string $words, array $foreign): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $id = $this->demoJob($browser, $job);
        $browser->executeScript('localStorage.setItem("fall-bend words", arguments[0])', [$words]);
        $wrong = [];
        foreach (self::OF_A_RUN as $view) {
            foreach ($this->lines($browser, "/jobs/{$id}/runs/{$run}/{$view}") as $line) {
                foreach (self::RAW + $foreign as $what => $pattern) {
                    if (preg_match($pattern, $line) === 1) {
                        $wrong["{$view}: {$what}: {$line}"] = true;
                    }
                }
            }
        }
        self::assertSame([], array_keys($wrong));
    }

    public function testTheWordsAreChosenOnTheDevice(): void
    {
        $browser = $this->open();
        $this->signIn($browser);
        $browser->get($this->address().'/account');
        $this->seen($browser, '#account-words');
        $spoken = static fn (): string => (string) $browser->executeScript('return document.documentElement.lang');
        self::assertStringEndsWith('US', $spoken());
        $browser
            ->findElement(WebDriverBy::cssSelector('#account-words option[value=en-GB]'))
            ->click();
        $this->until(
            static fn (): bool => $spoken() === 'en-GB',
            'it is begun anew in British words',
        );
        $browser->get($this->address().'/bench/catalogue');
        $this->until(
            static fn (): bool => $browser->getTitle() === 'Catalogue · Bench · Fall Bend',
            'they are spelt so on every page',
        );
        // Where nobody has to be signed in too.
        $browser->get($this->address().'/forgotten');
        $this->seen($browser, '#forgotten-email');
        self::assertSame('en-GB', $spoken());
    }

    /**
     * All that is read of a view, aloud too, with all that is folded; but for where a number comes from, which is
     * written as its source has it.
     *
     * @return list<string>
     */
    private function lines(RemoteWebDriver $browser, string $path): array
    {
        $this->view($browser, $path);
        // What is asked for once the view is there comes too: it is read when nothing more came for a while.
        $before = -1;
        $this->until(static function () use ($browser, &$before): bool {
            $now = $browser->executeScript('return document.body.innerText.length');
            $isSame = $now === $before;
            $before = $now;
            usleep($isSame ? 0 : 500_000);

            return $isSame;
        }, "{$path} has all of it");
        $text = $browser->executeScript(
            <<<'JS'
            document.querySelectorAll('.rests-on, .source-line').forEach((one) => one.remove());
            document.querySelectorAll('details').forEach((one) => { one.open = true; });
            const said = [document.body.innerText];
            document.querySelectorAll('svg text').forEach((one) => said.push(one.textContent));
            document.querySelectorAll('[aria-label]').forEach((one) => said.push(one.getAttribute('aria-label')));
            document.querySelectorAll('input, textarea').forEach((one) => said.push(one.value));
            return said.join('\n');
            JS
            ,
        );
        self::assertIsString($text);
        self::assertGreaterThan(200, strlen($text), $path);

        return array_values(array_unique(array_map(trim(...), explode("\n", $text))));
    }
}
