<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Rules;

use FallBend\Core\Job\Job;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\TestCase;

/** A limit is said with what is wrong of it: nothing is at least nothing, and what is below is not said to be above. */
final class ReasonsTest extends TestCase
{
    public function testAValveBelowTheRimIsSaidToBeBelowIt(): void
    {
        // AD H asks for no height over the rim; the rim is 800 mm over the drain, and the valve 500.
        $soil = ['size' => '110', 'system' => 'pvcu-soil', 'use' => 'drain'];
        $uk = CaseJob::of('adh-2015', [
            'stack' => ['valve', 'down 3000 / north 2000 fall 25 mm/m', 'socket', $soil],
            'a' => ['lavatory rim=800', 'east 500 fall 20 mm/m', 'stack 1 500', ['size' => '40']],
        ]);
        $said = self::said($uk, 'valve.low');
        self::assertMatchesRegularExpression(
            '/^It stands \d+ mm below the flood rim of .+; it has to stand above it\.$/',
            $said,
        );
        self::assertStringNotContainsString('0 mm above', $said);
    }

    public function testAVentThatGoesLevelBelowTheRimIsSaidToDoSo(): void
    {
        $us = CaseJob::of('ipc-2021', [
            'main' => [
                'lavatory rim=800',
                'north 40 fall 1/4 / down 40 / north 60 fall 1/4',
                'socket',
                ['use' => 'drain'],
            ],
            'v' => ['vent off main 2 turn', 'up 12 / east 40 rise 1/4 / up 90', 'roof', ['size' => '2']],
        ]);
        self::assertMatchesRegularExpression(
            '/^It goes level or joins .+ in below the flood rim of .+; 6 in above it are asked for\.$/',
            self::said($us, 'vent.belowRim'),
        );
        $uk = CaseJob::of('adh-2015', [
            'main' => [
                'lavatory rim=800',
                'north 600 fall 20 mm/m / down 600 / north 900 fall 20 mm/m',
                'gully',
                ['use' => 'drain'],
            ],
            'v' => ['vent off main 2 turn', 'up 200 / east 600 fall 20 mm/m / up 2000', 'roof', ['size' => '40']],
        ]);
        self::assertMatchesRegularExpression(
            '/^It goes level or joins \d+ mm below the flood rim of .+; it has to rise above it first\.$/',
            self::said($uk, 'vent.belowRim'),
        );
    }

    private static function said(Job $job, string $rule): string
    {
        foreach (CaseJob::evaluation($job)['runs'] as $run) {
            foreach ($run['findings'] as $finding) {
                if ($finding['rule'] === $rule) {
                    return $finding['why'];
                }
            }
        }
        self::fail("{$rule} is not said");
    }
}
