<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebDriver;
use FallBend\Core\Joining\Method;

/** Every method of joining is walked through at Glue-up on a phone, from its first step until it is made. */
final class MethodsTest extends BrowserTestCase
{
    /** Joints of runs: run, number, what its method is called. */
    private const IN_RUNS = [
        'mill-row-pottery' => [
            ['clay-wash', '1.2', 'PVC cement'],
            ['clay-wash', '1.14', 'Shielded'],
            ['galley', '5.4', 'Thread'],
            ['floor', '4.6', 'Gasket'],
        ],
        'weir-cottage-office' => [
            ['hand-basin', '6.1', 'cement'],
            ['tea', '2.1', 'Push-fit ring'],
            ['tea', '2.6', 'ompression'],
        ],
    ];

    /** Joints outside the runs at Mill Row, each of another method. */
    private const SINGLES = 12;

    public function testEveryMethodIsFollowedStepByStepUntilItIsMade(): void
    {
        $phone = $this->open(390, 844);
        $this->signIn($phone);
        $walked = [];
        foreach (self::IN_RUNS as $demo => $joints) {
            $job = $this->startJob($phone, ['name' => "Every method, {$demo}"] + self::demoDocument($demo));
            foreach ($joints as [$run, $number, $method]) {
                $this->openRun($phone, $job, $run, 'glue-up');
                $this->until(
                    fn (): bool => str_contains($this->text($phone, '.glue-steps'), "Joint {$number} is made"),
                    "{$run} {$number} is there",
                );
                $this->walk($phone, '.glue-steps > ol .glue-row:has(+ .glue-joined)', $number, $method);
                $walked[] = "{$run} {$number}";
                $made = fn (): bool => str_contains($this->text($phone, '.glue-made'), 'made');
                $this->until($made, "{$run} {$number} is made");
            }
            if ($demo === 'mill-row-pottery') {
                $walked = [...$walked, ...$this->singles($phone)];
            }
        }
        // Shielded couplings are there twice: in a run, and by themselves.
        self::assertCount(count(Method::cases()) + 1, $walked);
    }

    /** @return list<string> their names */
    private function singles(RemoteWebDriver $phone): array
    {
        $names = [];
        for ($n = 0; $n < self::SINGLES; $n++) {
            $sum = "Joints outside the runs: {$n} of ".self::SINGLES.' made';
            $this->until(fn (): bool => str_contains($this->text($phone, '.glue-singles summary'), $sum), $sum);
            $name = $phone->executeScript(
                'const isOpen = (one) => one.querySelector(".glue-joined:enabled");'.
                    'const row = [...document.querySelectorAll(".glue-singles li")].find(isOpen);'.
                    'row.querySelector(".glue-row").click(); return row.querySelector("b").textContent',
            );
            $names[] = is_string($name) ? $name : '';
            $this->steps($phone, '.glue-single');
        }

        return $names;
    }

    private function walk(RemoteWebDriver $phone, string $rows, string $number, string $method): void
    {
        $this->until(static fn (): bool => $phone->executeScript(
            'const [rows, number] = arguments;'.
                'const isIt = (one) => one.querySelector(".glue-n")?.textContent === number;'.
                'const row = [...document.querySelectorAll(rows)].find(isIt);'.
                'row?.click(); return row !== undefined',
            [$rows, $number],
        ) === true, "joint {$number} is tapped");
        $this->until(fn (): bool => str_contains($this->text($phone, '.step-card'), $method), "{$method}: its card");
        $this->steps($phone, '.glue-steps');
    }

    private function steps(RemoteWebDriver $phone, string $in): void
    {
        $next = "return document.querySelector('{$in} .step-card .main-act')?.textContent ?? ''";
        $this->until(static fn (): bool => $phone->executeScript($next) !== '', 'its card is there');
        $wide = $phone->executeScript('return document.documentElement.scrollWidth - innerWidth');
        self::assertLessThanOrEqual(0, $wide, 'nothing is wider than the screen');
        self::assertGreaterThan(3, $phone->executeScript(
            "return document.querySelectorAll('{$in} .wrong-kinds button').length",
        ), 'what may go wrong is there');
        for ($step = 0; $step < 25 && $phone->executeScript($next) !== 'It is made'; $step++) {
            $phone->executeScript("document.querySelector('{$in} .step-card .main-act').click()");
            usleep(60_000);
        }
        self::assertGreaterThan(1, $step, 'it has steps');
        $phone->executeScript("document.querySelector('{$in} .step-card .main-act').click()");
    }
}
