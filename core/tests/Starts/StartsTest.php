<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Starts;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Measure\Units;
use FallBend\Core\Starts\FieldKind;
use FallBend\Core\Starts\MadeStart;
use FallBend\Core\Starts\Start;
use FallBend\Core\Starts\StartAnswer;
use FallBend\Core\Starts\StartField;
use FallBend\Core\Starts\StartMaker;
use FallBend\Core\Starts\Starts;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A task that somebody comes with becomes a job with the right numbers. */
final class StartsTest extends TestCase
{
    /** @return iterable<string, array{Start}> */
    public static function starts(): iterable
    {
        foreach (Starts::shipped() as $start) {
            yield $start->id => [$start];
        }
    }

    #[DataProvider('starts')]
    public function testWithWhatStandsThereAtFirstItMakesAJobThatCanBeRead(Start $start): void
    {
        $made = self::make($start, []);
        self::assertSame([], $made->problems);
        self::assertInstanceOf(Job::class, $made->job);
        $answer = (new StartAnswer(Catalogue::shipped()))->written($made);
        self::assertNotSame([], $answer['says'], 'it says something');
        self::assertNotContains('stop', array_column($answer['against'], 'severity'), 'the usual case is no wrong one');
        $catalogue = Catalogue::shipped();
        $file = new JobFile($catalogue);
        $again = $file->parse($file->write($made->job));
        self::assertEquals($made->job->runs, $again->runs);
        self::assertEquals($made->job->singles, $again->singles);
    }

    #[DataProvider('starts')]
    public function testWhatCannotBeIsRefusedAtItsField(Start $start): void
    {
        foreach ($start->fields as $field) {
            if ($field->when !== '') {
                continue;
            }
            foreach (self::wrong($field) as $text) {
                $made = self::make($start, [$field->id => $text]);
                self::assertSame([$field->id], array_keys($made->problems), "{$field->id}: {$text}");
                self::assertNull($made->job);
            }
        }
    }

    #[DataProvider('starts')]
    public function testEveryLengthIsDrawnWhereTheTapeIsHeld(Start $start): void
    {
        $held = [];
        self::assertNotSame([], $start->strokes);
        foreach ($start->strokes as $stroke) {
            $words = explode(' ', $stroke);
            if ($words[0] === 'hold') {
                $held[] = $words[1];
                self::assertNotNull($start->field($words[1]));
            }
        }
        foreach ($start->fields as $field) {
            if ($field->kind === FieldKind::Length && $field->when === '') {
                self::assertContains($field->id, $held);
                self::assertNotSame('', $field->hold, 'it says where to hold the tape');
            }
        }
    }

    /** @return iterable<string, array{string, array<string, string>, string, list<float>}> start, answers, run, cuts */
    public static function cuts(): iterable
    {
        // 3 ft to the middle of the stack; the branch of a 2 × 1-1/2 sanitary tee takes what the short 1-1/2 quarter
        // bend does, 44.45 mm, and half the difference of the outsides, 6.03 mm.
        yield 'a sink straight to its stack' => ['kitchen-line', [], 'drain', [914.4 - 44.45 - 6.0325]];
        // Round a corner a long sweep goes: its take-off, with its own radius, comes off both legs.
        yield 'a sink round a corner' => [
            'kitchen-line',
            ['corner' => 'left', 'first' => '24', 'across' => '30'],
            'drain',
            [609.6 - self::sweep('1-1/2'), 762.0 - self::sweep('1-1/2') - 44.45 - 6.0325],
        ];
        // 4 ft between the cuts less the ridges of two sleeves, 1/8 in each.
        yield 'iron out, plastic in' => ['iron-out', [], 'new-length', [1219.2 - 2 * 3.175]];
        // At 45° a wye makes it: 10 ft less its branch, ρr and ρb in the crotch of 45° and 1/8 in.
        yield 'a branch that a wye makes' => [
            'branch',
            ['angle' => '45'],
            'branch',
            [3048.0 - ((57.15 + 44.45 * M_SQRT1_2) / M_SQRT1_2 + 3.2)],
        ];
    }

    /**
     * @param array<string, string> $values
     * @param list<float> $cuts mm
     */
    #[DataProvider('cuts')]
    public function testTheNumbersAreRight(string $start, array $values, string $run, array $cuts): void
    {
        $made = self::make(Starts::shipped()[$start], $values);
        self::assertInstanceOf(Job::class, $made->job);
        $pieces = (new JobEvaluator(Catalogue::shipped()))->evaluate($made->job)->run($run)->pieces;
        self::assertCount(count($cuts), $pieces);
        foreach ($cuts as $n => $mm) {
            self::assertEqualsWithDelta($mm, $pieces[$n]->cutMm, 0.2);
        }
    }

    public function testABranchAtAnOddAngleIsLaidWithItsRolledBend(): void
    {
        $start = Starts::shipped()['branch'];
        // Between two level lines: the direction at 45° to both, about the line. See `core/tests/Cases/cases.json`.
        foreach (['30' => 74.5, '60' => 54.7, '75' => 39.9] as $angle => $roll) {
            $made = self::make($start, ['angle' => (string) $angle]);
            $answer = (new StartAnswer(Catalogue::shipped()))->written($made);
            $rolls = sscanf(
                (string) strstr($answer['says'][1] ?? '', 'its branch rolled'),
                'its branch rolled %d° up from level',
            );
            self::assertIsArray($rolls);
            self::assertEqualsWithDelta($roll, $rolls[0], 3.0, "{$angle}°");
            self::assertSame([], $answer['against']);
        }
    }

    public function testAJointIsNamedWithItsPart(): void
    {
        $says = static fn (array $values): string => (new StartAnswer(Catalogue::shipped()))
            ->written(self::make(Starts::shipped()['joint'], $values))['says'][0] ?? '';
        self::assertSame('The joint: Soil-pipe adapter, with hub gasket, service', $says([]));
        self::assertSame(
            'The joint: No-hub band',
            $says(['one' => 'ci-no-hub 3', 'other' => 'ci-no-hub 3', 'other_end' => 'plain']),
        );
        self::assertSame(
            'The joint: nothing in the tables joins these two ends',
            $says(['one' => 'tubular-brass 1-1/4', 'other' => 'clay-c700 8', 'other_end' => 'bell']),
        );
    }

    /** @param array<string, string> $values */
    private static function make(Start $start, array $values): MadeStart
    {
        $catalogue = Catalogue::shipped();
        $empty = (new JobFile($catalogue))->read([
            'format' => JobFile::FORMAT,
            'version' => JobFile::VERSION,
            'name' => $start->name,
            'units' => $start->units()->value,
            'rulebook' => $start->units() === Units::Inch ? 'upc-2021' : 'adh-2015',
            'runs' => [],
        ]);

        return (new StartMaker($catalogue))->make($start, $values, $empty);
    }

    /** @return list<string> */
    private static function wrong(StartField $field): array
    {
        return match ($field->kind) {
            FieldKind::Length => ['', 'abc', '1/16', '900 m'],
            FieldKind::Angle => ['', 'square', '200'],
            default => ['nothing of the kind'],
        };
    }

    /** Take-off of a long sweep: one and a half times the radius of the short bend, and its straight. */
    private static function sweep(string $size): float
    {
        $bend = Catalogue::shipped()->system('pvc-dwv-40')->bend('long-sweep', $size, false);

        return $bend === null ? 0.0 : $bend->takeOffMm;
    }
}
