<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\MakeUp;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Layout\Fitting;
use FallBend\Core\Layout\JobCompiler;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\MakeUp\RunMakeUp;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Making up inside a run: what is accepted lies, laid out by the compiler as any other run, where the search said that
 * it would.
 */
final class RunMakeUpTest extends TestCase
{
    /** @return iterable<string, array{string, string, array<string, mixed>}> legs, rulebook, what is asked */
    public static function runs(): iterable
    {
        yield 'round a corner' => [
            'north 60 fall 1/4 / right 50 fall 1/4',
            'ipc-2021',
            ['from_leg' => 'l1', 'to' => ['leg' => 'l2']],
        ];
        yield 'three legs, facing any way' => [
            'right 30° 40 fall 1/4 / right 60° 40 fall 1/4 / left 45° 50 fall 1/4',
            'ipc-2021',
            ['from_leg' => 'l1', 'to' => ['leg' => 'l3']],
        ];
        yield 'through a drop' => [
            'north 50 fall 1/4 / down 40 / east 60 fall 1/4',
            'ipc-2021',
            ['from_leg' => 'l1', 'to' => ['leg' => 'l3']],
        ];
        yield 'with a leg after it that stays' => [
            'north 60 fall 1/4 / right 45° 50 fall 1/4 / left 45° 50 fall 1/4 / right 40 fall 1/4',
            'ipc-2021',
            ['from_leg' => 'l1', 'to' => ['leg' => 'l3']],
        ];
        yield 'on from the end: an odd angle' => [
            'north 40 fall 1/4',
            'ipc-2021',
            ['to' => ['along_mm' => 900, 'over_mm' => 500, 'down_mm' => 60, 'turn_deg' => 68, 'fall_mm_per_m' => 20.8]],
        ];
        yield 'on from the end: down into the floor' => [
            'east 40 fall 1/4',
            'ipc-2021',
            ['to' => ['along_mm' => 400, 'over_mm' => -300, 'down_mm' => 900, 'plumb' => true]],
        ];
        yield 'on from the end of a turned run' => [
            'east 40 fall 1/4 / left 45° 40 fall 1/4',
            'ipc-2021',
            ['to' => ['along_mm' => 800, 'over_mm' => 250, 'down_mm' => 40, 'turn_deg' => 0, 'fall_mm_per_m' => 20.9]],
        ];
        yield 'in millimetres' => [
            'north 900 fall 20 mm/m / right 45° 900 fall 20 mm/m / down 700',
            'adh-2015',
            ['from_leg' => 'l1', 'to' => ['leg' => 'l3']],
        ];
    }

    /** @param array<string, mixed> $asked */
    #[DataProvider('runs')]
    public function testWhatIsAcceptedLiesWhereTheSearchSaid(string $legs, string $book, array $asked): void
    {
        $job = self::job($legs, $book);
        $answer = self::answer($job, $asked);
        self::assertNotSame([], $answer['solutions'], json_encode($answer['relax'], JSON_THROW_ON_ERROR));
        $before = self::layout($job, $book);
        foreach ($answer['solutions'] as $i => $solution) {
            $after = self::layout(self::accepted($job, $solution), $book);
            // Every leg as long as it was said, and the end where it has to be.
            foreach ($solution['legs'] as $k => $leg) {
                $laid =
                    $after->legs[(int) substr((string) ($asked['from_leg'] ?? 'l'.count($before->legs)), 1) - 1 + $k];
                self::assertEqualsWithDelta($leg['length_mm'], $laid->centreMm, 0.01, "solution {$i}, leg {$k}");
            }
            $end = $before->end;
            if (! isset($asked['to']['leg'])) {
                $heading = $before->legs[count($before->legs) - 1]->line->headingDeg;
                $end = $end
                    ->plus(Vec3::direction($heading, 0)->times($asked['to']['along_mm']))
                    ->plus(Vec3::direction($heading + 90, 0)->times($asked['to']['over_mm']))
                    ->plus(new Vec3(0, 0, -$asked['to']['down_mm']));
            }
            self::assertLessThan(
                1.5,
                $after->end->minus($end)->length(),
                "solution {$i} of {$legs}: ".json_encode($solution['legs_said'], JSON_THROW_ON_ERROR),
            );
            $patterns = array_map(
                static fn (Fitting $fitting): string => $fitting->part instanceof Bend ? $fitting->part->pattern : '',
                $after->fittings,
            );
            foreach ($solution['bends'] as $bend) {
                self::assertContains($bend['pattern'], $patterns);
            }
        }
    }

    public function testTheCutLengthsAreThoseOfTheTicket(): void
    {
        $job = self::job('north 60 fall 1/4 / right 50 fall 1/4', 'ipc-2021');
        $solution = self::answer($job, ['from_leg' => 'l1', 'to' => ['leg' => 'l2']])['solutions'][0];
        $after = self::layout(self::accepted($job, $solution), 'ipc-2021');
        self::assertEqualsWithDelta(
            array_column($solution['legs'], 'cut_mm'),
            array_map(static fn ($piece): float => $piece->cutMm, $after->pieces),
            0.01,
        );
    }

    public function testLegsKeepTheirIdsAndNewOnesAreNew(): void
    {
        $job = self::job(
            'north 60 fall 1/4 / right 45° 50 fall 1/4 / left 45° 50 fall 1/4 / right 40 fall 1/4',
            'ipc-2021',
        );
        $solution = self::answer($job, ['from_leg' => 'l1', 'to' => ['leg' => 'l3']])['solutions'][0];
        $ids = array_column($solution['legs_said'], 'id');
        self::assertSame('l1', $ids[0]);
        self::assertSame(['l3', 'l4'], array_slice($ids, -2));
        self::assertSame($ids, array_unique($ids));
        self::assertGreaterThanOrEqual(5, $solution['next_leg']);
    }

    public function testRoundAPostAndNotThroughIt(): void
    {
        $job = self::job('north 20 fall 1/4', 'ipc-2021');
        $to = ['along_mm' => 2000, 'over_mm' => 0, 'down_mm' => 50, 'turn_deg' => 0, 'fall_mm_per_m' => 20.9];
        $post = [
            'what' => 'post',
            'along_from_mm' => 1200,
            'along_to_mm' => 1350,
            'over_from_mm' => -60,
            'over_to_mm' => 60,
            'up_from_mm' => -500,
            'up_to_mm' => 500,
        ];
        $free = self::answer($job, ['to' => $to]);
        self::assertLessThanOrEqual(2, count($free['solutions'][0]['bends']));
        $round = self::answer($job, ['to' => $to, 'obstacles' => [$post], 'clearance_mm' => 20, 'max_bends' => 4]);
        foreach ($round['solutions'] as $solution) {
            self::assertGreaterThan(2, count($solution['bends']));
        }
        self::assertNotSame([], [...$round['solutions'], ...$round['relax']]);
    }

    public function testWhatTheRulebookDoesNotTakeIsNamed(): void
    {
        $answer = self::answer(self::job('north 60 fall 1/4 / right 50 fall 1/4', 'upc-2021'), [
            'from_leg' => 'l1',
            'to' => ['leg' => 'l2'],
            'max_bends' => 1,
        ]);
        $refused = array_column($answer['solutions'], 'refused');
        self::assertNotSame(array_fill(0, count($refused), []), $refused, 'a short 90 from level to level');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is asked, the field that is wrong */
    public static function wrong(): iterable
    {
        yield 'no such run' => [['run' => 'chimney', 'to' => ['leg' => 'l2']], 'run'];
        yield 'no such leg' => [['from_leg' => 'l9', 'to' => ['leg' => 'l2']], 'from_leg'];
        yield 'backward' => [['from_leg' => 'l2', 'to' => ['leg' => 'l1']], 'to.leg'];
        yield 'to itself' => [['from_leg' => 'l2', 'to' => ['leg' => 'l2']], 'to.leg'];
        yield 'half measured' => [['to' => ['along_mm' => 9]], 'to.over_mm'];
        yield 'both' => [['from_leg' => 'l1', 'to' => ['leg' => 'l2', 'along_mm' => 9]], 'to.along_mm'];
        yield 'too many bends' => [['from_leg' => 'l1', 'to' => ['leg' => 'l2'], 'max_bends' => 9], 'max_bends'];
        yield 'something else' => [['from_leg' => 'l1', 'to' => ['leg' => 'l2'], 'colour' => 'red'], 'colour'];
    }

    /** @param array<string, mixed> $asked */
    #[DataProvider('wrong')]
    public function testWhatIsWrongIsNamed(array $asked, string $field): void
    {
        try {
            self::answer(self::job('north 60 fall 1/4 / right 50 fall 1/4', 'ipc-2021'), $asked);
            self::fail('was taken');
        } catch (BadInput $bad) {
            self::assertSame($field, $bad->field);
        }
    }

    public function testALegThatAnotherRunMeetsIsNotMadeAnew(): void
    {
        $job = CaseJob::of('ipc-2021', [
            'main' => ['socket', 'north 60 fall 1/4 / right 80 fall 1/4', 'socket', ['size' => '2']],
            'arm' => ['lavatory', 'south 30 fall 1/4', 'main 2 800', ['size' => '2']],
        ]);
        $this->expectException(BadInput::class);
        $this->expectExceptionMessage('the arm meets a leg');
        self::answer($job, ['run' => 'main', 'from_leg' => 'l1', 'to' => ['leg' => 'l2']]);
    }

    public function testWhereTheEndMovesTheLevelsAndTheBranchMoveWithIt(): void
    {
        $job = CaseJob::of('ipc-2021', [
            'stack' => ['roof', 'down 4000 mm / north 2000 mm fall 20 mm/m', 'socket', ['size' => '3']],
            'arm' => ['lavatory', 'south 900 mm fall 20 mm/m', 'stack 1 1500', ['size' => '2']],
        ]);
        $measured = ['along_mm' => 0, 'over_mm' => 0, 'down_mm' => 400, 'turn_deg' => 0, 'fall_mm_per_m' => 20.9];
        $answer = self::answer($job, ['run' => 'arm', 'to' => $measured]);
        self::assertEqualsWithDelta(1900.0, $answer['branch_at_mm'], 1e-6, 'so much further down the stack');
        self::assertNull($answer['level_difference_mm'], 'nobody levelled it');
        self::assertNull(
            self::answer($job, ['run' => 'arm', 'to' => ['over_mm' => 300] + $measured])['branch_at_mm'],
            'beside the stack there is no branch',
        );
        $levelled = self::job('north 40 fall 1/4', 'ipc-2021');
        $levelled = (new JobFile(Catalogue::shipped()))->read(
            array_replace_recursive(
                json_decode((string) json_encode((new JobFile(Catalogue::shipped()))->document($levelled)), true),
                ['runs' => [['level_difference_mm' => 25]]],
            ),
        );
        self::assertEqualsWithDelta(
            40 * 25.4 * sin(atan(1 / 48)) + 300,
            self::answer($levelled, ['to' => ['along_mm' => 900, 'over_mm' => 0, 'down_mm' => 300, 'plumb' => true]])[
                'level_difference_mm'
            ],
            0.01,
        );
    }

    public function testBranchesOnTheFirstLegStayWhereTheyAre(): void
    {
        $legs = [
            'main' => ['socket', 'north 1270 mm fall 1/4', 'socket', ['size' => '2']],
            'arm' => ['lavatory', 'east 300 mm fall 20 mm/m', 'main 1 1000', ['size' => '2']],
        ];
        $asked = [
            'to' => ['along_mm' => 0, 'over_mm' => 0, 'down_mm' => 500, 'turn_deg' => 0, 'fall_mm_per_m' => 20.83],
        ];
        $shortest = static fn (array $runs): float => min(
            INF,
            ...array_map(
                static fn (array $one): float => $one['legs'][0]['length_mm'],
                self::answer(CaseJob::of('ipc-2021', $runs), $asked)['solutions'],
            ),
        );
        self::assertGreaterThan(1000.0, $shortest($legs), 'the tee stands at 1000');
        self::assertLessThan(1000.0, $shortest(['main' => $legs['main']]), 'without it the first bend may come before');
    }

    public function testWhatIsKeptInTheDemoLeadsToWays(): void
    {
        $found = 0;
        foreach (['mill-row-pottery', 'weir-cottage-office'] as $name) {
            $job = (new JobFile(Catalogue::shipped()))->parse(
                (string) file_get_contents(dirname(__DIR__, 3)."/database/demo/{$name}.json"),
            );
            foreach ($job->moves as $move) {
                if ($move->kind === 'ends') {
                    $boxes =
                        $move->obstacles === []
                            ? []
                            : ['obstacles' => $move->obstacles, 'clearance_mm' => $move->values['clearance_mm']];
                    $to = array_intersect_key(
                        $move->values,
                        array_flip(['along_mm', 'over_mm', 'down_mm', 'turn_deg', 'fall_mm_per_m']),
                    );
                    self::assertNotSame(
                        [],
                        self::answer(
                            $job,
                            ['run' => $move->run, 'from_leg' => $move->values['from_leg'], 'to' => $to] + $boxes,
                        )['solutions'],
                        $move->name,
                    );
                    $found++;
                }
            }
        }
        self::assertSame(2, $found);
    }

    private static function job(string $legs, string $book): Job
    {
        return CaseJob::of($book, [
            'main' => [
                'socket',
                $legs,
                'socket',
                $book === 'adh-2015' ? ['size' => '110', 'system' => 'pvcu-soil'] : ['size' => '2'],
            ],
        ]);
    }

    /**
     * @param array<string, mixed> $asked
     * @return array<string, mixed>
     */
    private static function answer(Job $job, array $asked): array
    {
        $evaluated = (new JobEvaluator(Catalogue::shipped()))->evaluate($job);

        return (new RunMakeUp($evaluated->catalogue, $evaluated->book, new JobFile(Catalogue::shipped())))->answer(
            $evaluated->layout(),
            Fields::of($asked + ['run' => 'main']),
        );
    }

    /** @param array<string, mixed> $solution */
    private static function accepted(Job $job, array $solution): Job
    {
        $file = new JobFile(Catalogue::shipped());
        $document = $file->document($job);
        $document['runs'][0]['legs'] = $solution['legs_said'];
        $document['runs'][0]['next_leg'] = $solution['next_leg'];

        return $file->parse(json_encode($document, JSON_THROW_ON_ERROR));
    }

    private static function layout(Job $job, string $book): RunLayout
    {
        $catalogue = Catalogue::shipped();

        return (new JobCompiler($catalogue, $catalogue->rulebook($book), $job))->compile()->runs['main'];
    }
}
