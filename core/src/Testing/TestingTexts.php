<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use FallBend\Core\Input\DataFile;
use FallBend\Core\Job\RunEndKind;

/**
 * What is said of tests: from core/data/testing.json.
 *
 * @phpstan-type KindText array{
 *     name: string,
 *     say: string,
 *     pass: string,
 *     unit: string,
 *     reading: string,
 *     caution: string,
 * }
 * @phpstan-type CheckText array{
 *     key: string,
 *     stages: list<string>,
 *     books?: list<string>,
 *     tests?: list<string>,
 *     asked?: bool,
 *     do: string,
 *     say: string,
 * }
 * @phpstan-type TestingFile array{
 *     kinds: array<string, KindText>,
 *     stages: array<string, array{name: string, say: string}>,
 *     openings: array<string, array<string, string>>,
 *     checks: list<CheckText>,
 *     states: array<string, string>,
 * }
 */
final class TestingTexts
{
    /** @return KindText */
    public static function kind(TestKind $kind): array
    {
        return self::file()['kinds'][$kind->value];
    }

    /** @return array{name: string, say: string} */
    public static function stage(Stage $stage): array
    {
        return self::file()['stages'][$stage->value];
    }

    /** Gives how a test stands, in words. */
    public static function state(CurveState $state): string
    {
        return self::file()['states'][$state->value];
    }

    /**
     * Gives what is done to an end for a test.
     *
     * @param bool $isBelow whether it is filled higher than this end
     */
    public static function opening(RunEndKind $kind, Stage $stage, bool $isBelow): string
    {
        $key = $kind === RunEndKind::Roof && $isBelow ? 'roof-below' : $kind->value;

        return self::file()['openings'][$key][$stage->value];
    }

    /**
     * @param ?TestKind $test what the last test is made with
     * @return list<CheckText> what else is looked at, at a stage under a book, in order
     */
    public static function checks(Stage $stage, string $book, ?TestKind $test): array
    {
        return array_values(
            array_filter(
                self::file()['checks'],
                static fn (array $check): bool => in_array($stage->value, $check['stages'], true) &&
                    in_array($book, $check['books'] ?? [$book], true) &&
                    (! isset($check['tests']) || in_array($test?->value, $check['tests'], true)),
            ),
        );
    }

    /** @return TestingFile */
    private static function file(): array
    {
        /** @var TestingFile $file */
        $file = DataFile::read('testing.json');

        return $file;
    }
}
