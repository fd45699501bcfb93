<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Key;
use PHPUnit\Framework\Attributes\DataProvider;

/** From the board to a right answer without a word of call-out: on a large screen, and on a phone. */
final class StartsTest extends BrowserTestCase
{
    /** @return array<string, array{int, int}> */
    public static function screens(): array
    {
        return ['a large screen' => [1280, 800], 'a phone' => [390, 844]];
    }

    /**
     * 60° between a branch and its line: no fitting makes that. A wye rolled 55° up and a 45 do; 10 ft along the string
     * less what the short leg takes, 113 3/4 in, is cut, and 3 1/16 in between the two fittings.
     */
    #[DataProvider('screens')]
    public function testABranchAtAnOddAngle(int $width, int $height): void
    {
        $browser = $this->begun($width, $height, 'A branch into a buried line, at any angle');
        $this->says($browser, '4 × 3 wye: its branch rolled 55° up from level, 2 3/16 in round the pipe');
        $this->type($browser, 'angle', '200');
        $this->until(
            fn (): bool => str_contains($this->text($browser, '#start-angle-problem'), 'At most 90°'),
            'what cannot be is refused at its field',
        );
        $this->type($browser, 'angle', '45');
        $this->says($browser, 'branch: cut 2A 114 15/16 in');
        $this->started($browser, '/runs/branch/route', 12);
        $this->until(fn (): bool => in_array('piece 2A', $this->tags($browser), true), 'it is drawn');
    }

    /** 74 in between the cuts, less the ridges of two sleeves, 1/8 in each: 73 3/4 in. */
    #[DataProvider('screens')]
    public function testALengthOfIronOut(int $width, int $height): void
    {
        $browser = $this->begun($width, $height, 'A length of iron out, plastic in');
        $this->type($browser, 'gap', "6' 2");
        $this->says($browser, 'new length: cut 1A 73 3/4 in');
        $this->started($browser, '/runs/new-length/cut', 6);
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.cut-row'), '1A'),
            'it stands at Cut',
        );
    }

    #[DataProvider('screens')]
    public function testJustAJoint(int $width, int $height): void
    {
        $browser = $this->begun($width, $height, 'Just this joint');
        $this->says($browser, 'Soil-pipe adapter, with hub gasket, service');
        $this->started($browser, '/runs/none/joints', 4);
        $this->until(
            fn (): bool => str_contains($this->text($browser, 'main'), 'The joint'),
            'its card is a tap away',
        );
    }

    private function begun(int $width, int $height, string $start): RemoteWebDriver
    {
        $browser = $this->open($width, $height);
        $this->signIn($browser);
        $this->seen($browser, '.board');
        $browser->executeScript(
            'window.acts = 0; document.addEventListener("click", () => window.acts++, true);'.
                'document.addEventListener("change", () => window.acts++, true)',
        );
        $this->tap($browser, '.board-starts a', 'What is the job?');
        $this->tap($browser, '.start-list a', $start);
        $this->seen($browser, '.start-page');

        return $browser;
    }

    private function type(RemoteWebDriver $browser, string $field, string $text): void
    {
        $input = $browser->findElement(WebDriverBy::id("start-{$field}"));
        $input->click();
        $input->sendKeys([Key::CONTROL, 'a']);
        $input->sendKeys($text);
    }

    private function says(RemoteWebDriver $browser, string $words): void
    {
        $this->until(
            fn (): bool => str_contains($this->text($browser, '.start-comes:not(.stale) .start-says'), $words),
            "it says “{$words}”",
        );
    }

    /** @param int $most taps and fields filled in, from the board on */
    private function started(RemoteWebDriver $browser, string $opens, int $most): void
    {
        $acts = 1 + (int) $browser->executeScript('return window.acts');
        self::assertLessThanOrEqual($most, $acts);
        $this->button($browser, 'Start the job');
        $this->until(
            static fn (): bool => str_contains($browser->getCurrentURL(), $opens),
            "it opens {$opens}",
        );
    }
}
