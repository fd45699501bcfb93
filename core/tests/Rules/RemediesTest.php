<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Rules;

use FallBend\Core\Job\End;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Measure\Length;
use FallBend\Core\Tests\Fixtures;
use FallBend\Core\Tests\Network\CaseJob;
use FallBend\Core\Tests\Rules\Network\NetworkRulesTest;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Wording;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * What a rule says to do does away with what it found, and stops nothing else: of every rule, a job before and after
 * its remedy.
 *
 * @phpstan-type Findings array<string, string>
 * @phpstan-type Found callable(): Findings
 */
final class RemediesTest extends TestCase
{
    /** What is said and asks for nothing to be done, or can be done only outside the job. */
    private const WITHOUT = [
        // Notes: measuring one fitting makes them exact.
        'catalogue.doubtful', 'fitting.reckoned',
        // Of joints: see the matrix of joints, where each refusal has its other way.
        'joint.refused', 'joint.unknownPipe', 'joint.noRow', 'joint.none', 'joint.measure',
        // A building code, or the table of a fixture, has to be read.
        'timber.notJudged', 'trap.fixtureNotKnown',
    ];

    /** @return iterable<string, array{string, list<array{Found, Found}>}> rule, what finds before and after */
    public static function rules(): iterable
    {
        $pairs = [];
        foreach ([...NetworkRulesTest::limits(), ...self::jobs()] as [$rule, $before, $after]) {
            // Another book is no remedy.
            if ($before[0] === $after[0]) {
                $pairs[$rule][] = [
                    static fn (): array => self::ofJob($before),
                    static fn (): array => self::ofJob($after),
                ];
            }
        }
        foreach (self::runs() as [$rule, $book, $before, $after, $with, $withAfter]) {
            $pairs[$rule][] = [
                static fn (): array => self::ofRun($before, $with, $book),
                static fn (): array => self::ofRun($after, $withAfter, $book),
            ];
        }
        foreach ($pairs as $rule => $of) {
            yield $rule => [$rule, $of];
        }
    }

    /** @param list<array{Found, Found}> $pairs */
    #[DataProvider('rules')]
    public function testWhatIsSaidToBeDoneMendsIt(string $rule, array $pairs): void
    {
        $said = [];
        foreach ($pairs as [$before, $after]) {
            [$was, $is] = [$before(), $after()];
            self::assertArrayHasKey($rule, $was);
            $new = array_keys(
                array_filter(
                    $is,
                    static fn (string $severity, string $one): bool => $severity === 'stop' &&
                        ($was[$one] ?? '') !== 'stop',
                    ARRAY_FILTER_USE_BOTH,
                ),
            );
            if (! isset($is[$rule]) && $new === []) {
                $this->addToAssertionCount(1);

                return;
            }
            $said[] = isset($is[$rule]) ? 'it stays' : implode(', ', $new);
        }
        self::fail("{$rule}: ".implode('; ', $said));
    }

    public function testEveryRuleHasSuchARemedy(): void
    {
        $raised = [];
        $folder = dirname(__DIR__, 2).'/src/Rules';
        foreach ([...(array) glob("{$folder}/*.php"), ...(array) glob("{$folder}/Network/*.php")] as $path) {
            preg_match_all('/RuleId::([A-Z]\w+)/', (string) file_get_contents((string) $path), $found);
            $raised = [...$raised, ...$found[1]];
        }
        $names = array_map(
            static fn (string $case): string => constant(RuleId::class."::{$case}")->value,
            array_values(array_unique($raised)),
        );
        $tried = array_keys(iterator_to_array(self::rules()));
        self::assertSame([], array_values(array_diff($names, $tried, self::WITHOUT)));
        foreach ($names as $name) {
            self::assertNotSame('', Wording::template(RuleId::from($name))['remedy'], "{$name} says what to do");
        }
    }

    /** @return list<array{string, array<mixed>, array<mixed>}> rule, a job before and after */
    private static function jobs(): array
    {
        $vent = ['vent off main 1 600', 'up 90', 'roof', ['size' => '2']];
        $basinAt = static fn (int $mm): array => ['lavatory', 'east 20 fall 1/4', "main 1 {$mm}", ['size' => '1-1/2']];
        $line = ['lavatory', 'north 260 fall 1/4', 'socket', ['size' => '3', 'use' => 'drain']];
        $third = ['main' => $line, 'v' => ['vent off main 1 1500', 'up 90', 'roof', ['size' => '2']]];
        $third += ['b' => $basinAt(900), 'c' => $basinAt(3000)];
        $own = static fn (string $run): array => ["vent off {$run} 1 250 combo", 'up 90', 'roof', ['size' => '1-1/2']];
        $basin = ['lavatory', 'north 60 fall 1/4', 'socket', ['use' => 'drain']];
        $bathroom = static fn (string $size): array => [
            'main' => ['lavatory group=a rim=800', 'north 150 fall 1/4', 'socket', ['size' => $size, 'use' => 'drain']],
            'v' => ['vent off main 1 700', 'up 100', 'roof', ['size' => '1-1/2']],
            'b' => ['lavatory group=a', 'east 20 fall 1/4', 'main 1 1500', ['size' => '1-1/2']],
        ];
        $suds = [
            'stack' => ['roof', 'down 400 / north 200 fall 1/4', 'socket', ['size' => '4', 'use' => 'drain']],
            'a' => ['kitchen-sink', 'north 30 fall 1/4', 'stack 1 1500'],
            'b' => ['lavatory', 'east 30 fall 1/4', 'stack 1 8027', ['size' => '1-1/2']],
        ];
        $many = ['one_family' => false];

        return [
            ['vent.belowNotKnown', ['ipc-2021', ['main' => $basin]], ['ipc-2021', ['main' => $basin, 'v' => $vent]]],
            ['vent.notJudged', ['upc-2021', $third], ['upc-2021', $third + ['w' => $own('c'), 'x' => $own('b')]]],
            [
                'vent.sharedNotJudged',
                [
                    'upc-2021',
                    ['main' => $line, 'v' => ['vent off main 1 3000', 'up 90', 'roof', ['size' => '2']]] +
                    ['b' => $basinAt(900), 'c' => $basinAt(1800)],
                ],
                [
                    'upc-2021',
                    ['main' => $line, 'v' => ['vent off main 1 600', 'up 90', 'roof', ['size' => '2']]] +
                    ['b' => $basinAt(900), 'c' => $basinAt(1800), 'w' => $own('b'), 'x' => $own('c')],
                ],
            ],
            ['wetvent.size', ['upc-2021', $bathroom('1-1/2')], ['upc-2021', $bathroom('2')]],
            [
                'building.storeys',
                ['upc-2021', $suds, [], [], $many],
                ['upc-2021', $suds, [], [], $many + ['storeys' => 2]],
            ],
        ];
    }

    /**
     * @return list<array{string, string, string, string, array<string, mixed>, array<string, mixed>}> rule, book, one
     *     run before and after, with what it is of before and after
     */
    private static function runs(): array
    {
        $closetBend = 'down 12 / east 60 fall 1/4 with a closet bend 4x3';
        $of = static fn (
            string $rule,
            string $book,
            string $before,
            string $after,
            array $with = [],
            ?array $withAfter = null,
        ): array => [$rule, $book, $before, $after, $with, $withAfter ?? $with];
        $waste = ['system' => 'pp-push-fit', 'size' => '40'];
        $levelled = static fn (float $mm): array => ['levelDifference' => Length::mm($mm)];
        $close = 'north 40 / right';
        $tube = ['outlet' => new End('tube', RunEndKind::TrapAdapter)];

        return [
            $of('fall.least', 'ipc-2021', 'north 40 fall 1/8', 'north 40 fall 1/4'),
            $of('fall.leastNotKnown', 'ipc-2021', 'north 40 fall 1/4', 'north 40 fall 1/4', [
                'system' => 'pvcu-soil',
                'size' => '110',
            ], []),
            $of('fall.byApproval', 'upc-2021', 'north 40 fall 1/8', 'north 40 fall 1/4', ['size' => '4']),
            $of('fall.most', 'adh-2015', 'north 1000mm fall 100 mm/m', 'north 1000mm fall 40 mm/m', $waste),
            $of('fall.none', 'ipc-2021', 'north 40 level', 'north 40 fall 1/4'),
            $of('fall.back', 'ipc-2021', 'north 40 fall 1/4 / up 30', 'north 40 fall 1/4 / down 30'),
            $of('fall.backBetween', 'ipc-2021', 'north 40 fall 1/4 / up 70° 30', 'north 40 fall 1/4 / down 70° 30'),
            $of('size.reduced', 'ipc-2021', 'north 40 size 3 / right 40 size 2', 'north 40 size 3 / right 40 size 3'),
            $of('size.closetBendNotKnown', 'npc-2020', $closetBend, 'down 12 / east 60 fall 1/4', ['size' => '4']),
            $of('turn.pattern', 'ipc-2021', 'north 40 / right 40 with 90', 'north 40 / right 40 with long'),
            $of('turn.patternDoubtful', 'upc-2021', 'north 40 / right 40 with 90', 'north 40 / right 40 with long'),
            $of('turn.impossible', 'ipc-2021', 'north 40 / right 70° 40 with 22+22', 'north 40 / right 45° 40'),
            $of('joint.strain', 'ipc-2021', 'north 40 / right 40 with 60', 'north 40 / right 40 with long'),
            $of('leg.impossible', 'ipc-2021', 'north 40 / right 5 / left 40', 'north 40 / right 20 / left 40'),
            $of('leg.unread', 'ipc-2021', 'north 40 / sideways 20', 'north 40 / right 20'),
            $of('run.notLevelled', 'ipc-2021', 'north 48 fall 1/4', 'north 48 fall 1/4', [], $levelled(25.4)),
            $of('run.below', 'ipc-2021', 'north 48 fall 1/2', 'north 48 fall 1/4', $levelled(25.4)),
            $of('run.inHand', 'ipc-2021', 'north 48 fall 1/4', 'north 48 fall 1/2', $levelled(50.8)),
            $of('piece.tooShort', 'ipc-2021', 'north 40 / right 1 to stop / left 40', 'north 40 / right 20 / left 40'),
            $of('leg.closeLength', 'ipc-2021', "{$close} 9 close / left 40", "{$close} close / left 40"),
            $of('run.noAdapter', 'ipc-2021', 'down 40', 'down 40', $tube, $tube + ['size' => '1-1/2']),
        ];
    }

    /**
     * @param array<mixed> $arguments
     * @return Findings
     */
    private static function ofJob(array $arguments): array
    {
        $found = [];
        foreach (CaseJob::evaluation(CaseJob::of(...$arguments))['runs'] as $run) {
            foreach ($run['findings'] as $finding) {
                $found[$finding['rule']] = $finding['severity'];
            }
        }

        return $found;
    }

    /**
     * @param array<string, mixed> $with
     * @return Findings
     */
    private static function ofRun(string $callOut, array $with, string $book): array
    {
        $found = [];
        foreach (Fixtures::findings($callOut, $with, $book) as $finding) {
            $found[$finding->rule->value] = $finding->severity->value;
        }

        return $found;
    }
}
