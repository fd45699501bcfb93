<?php

declare(strict_types=1);

namespace FallBend\Core\Tests;

use FallBend\Core\CallOut\CallOutReader;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\End;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Marks;
use FallBend\Core\Job\Run;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\RunUse;
use FallBend\Core\Layout\RunCompiler;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Units;
use FallBend\Core\Rules\RuleSet;
use FallBend\Core\Verdict\Finding;

/** Runs for tests, called out as a plumber would. */
final class Fixtures
{
    public const SIZES = ['1-1/2', '2', '3', '4'];

    /** @param array<string, mixed> $with fields of the run */
    public static function run(string $callOut, array $with = []): Run
    {
        if (is_string($with['use'] ?? null)) {
            $with['use'] = RunUse::from($with['use']);
        }
        $fields = $with + [
            'id' => 'r1',
            'name' => 'run',
            'system' => 'pvc-dwv-40',
            'size' => '2',
            'use' => RunUse::Drain,
            'fallMmPerM' => null,
            'outlet' => new End('sink', RunEndKind::Socket),
            'tieIn' => new End('stack', RunEndKind::Socket),
            'levelDifference' => null,
            'headingDeg' => 0.0,
            'legs' => [],
            'marks' => new Marks,
            'nextLeg' => 1,
        ];

        return (new CallOutReader(Units::Inch, self::SIZES))->apply(new Run(...$fields), $callOut);
    }

    /** @param array<string, mixed> $with fields of the run */
    public static function layout(string $callOut, array $with = [], string $rulebook = 'ipc-2021'): RunLayout
    {
        return self::laid(self::run($callOut, $with), $rulebook);
    }

    public static function laid(Run $run, string $rulebook = 'ipc-2021'): RunLayout
    {
        $catalogue = Catalogue::shipped();

        return (new RunCompiler($catalogue))->compile(
            $run,
            $catalogue->system($run->system),
            $catalogue->rulebook($rulebook),
        );
    }

    /**
     * @param array<string, mixed> $with
     * @return list<Finding>
     */
    public static function findings(string $callOut, array $with = [], string $rulebook = 'ipc-2021'): array
    {
        $catalogue = Catalogue::shipped();

        return (new RuleSet($catalogue))->judge(
            self::layout($callOut, $with, $rulebook),
            $catalogue->rulebook($rulebook),
        );
    }

    /** @param list<Leg> $legs */
    public static function runOf(array $legs): Run
    {
        return self::run('')->withLegs($legs, count($legs) + 1);
    }
}
