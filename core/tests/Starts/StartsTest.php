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
        self::assertEquals($start, Starts::named($start->id), 'it is the file of its id');
        // The UPC wants a vent for the closet of a group; the others take it on the stack.
        $made = self::make($start, [], $start->id === 'bathroom-group' ? 'ipc-2021' : 'upc-2021');
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

    public function testThereIsNoStartOfAnotherName(): void
    {
        self::assertNull(Starts::named('no-such-start'));
        self::assertNull(Starts::named('../starts/tub'));
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
            if ($field->below !== '') {
                // As long as what it lies within.
                $limit = $start->field($field->below)?->startsWith($start->units()) ?? '';
                $made = self::make($start, [$field->id => $limit]);
                self::assertStringContainsString('less than', $made->problems[$field->id] ?? '', $field->id);
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
        // 3 ft less the branch of a 3 × 1-1/2 tee: a short 1-1/2 quarter bend and half the difference of the outsides.
        yield 'a basin of a group' => ['bathroom-group', [], 'basin', [914.4 - 44.45 - (88.9 - 48.26) / 2]];
        // 30 in less the branch of a 3 in tee, 3-1/16 in: that of the short quarter bend.
        yield 'a closet of a group' => ['bathroom-group', [], 'closet', [762.0 - 77.79]];
        // 4 ft less the short 2 in quarter bend, 2-5/16 in, and half the difference of the outsides.
        yield 'a tub' => ['tub', [], 'drain', [1219.2 - 58.74 - (88.9 - 60.325) / 2]];
        // The swept bend takes 32.8 mm to its stop, up- and downstream.
        yield 'a basin through the wall' => ['uk-hopper', [], 'waste', [1000 - 32.8, 300 - 32.8]];
        // Half the stack of 110 mm, and 21.1 from its face to the stop of the boss.
        yield 'a bath of a UK bathroom' => ['uk-bathroom', [], 'bath', [1200 - 55 - 21.1]];
        yield 'a low sink' => ['low-sink', [], 'sink', [914.4 - 44.45 - 6.0325]];
        // From the upper cut 18 in, less the ridge of the sleeve, 1/8 in, and what the tee takes upstream, 1-7/8 in.
        yield 'a branch in a stack of iron' => [
            'other-stack',
            [],
            'new-length',
            [457.2 - 3.175 - 47.625, 457.2 - 3.175 - 77.79],
        ];
        // A short eighth bend of 4 in takes 2-3/16 in of either leg; the sleeve on the thick wall has a ridge of 1/8
        // in, the gasketed joint of the sewer pipe none.
        yield 'a cracked bend' => ['cracked-bend', [], 'new-bend', [508.0 - 55.56 - 3.175, 508.0 - 55.56]];
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

    public function testVentsAreLedTogetherWhereTheyMeet(): void
    {
        $made = self::make(Starts::shipped()['laundry-wall'], []);
        self::assertInstanceOf(Job::class, $made->job);
        $layout = (new JobEvaluator(Catalogue::shipped()))->evaluate($made->job)->layout();
        self::assertSame([], $layout->missesMm);
        // The washer's vent leaves 12 in from its trap, of 5 ft to the stack; the tub's 6 in from its own, of 20 in.
        foreach (['washer-vent' => 48 * 25.4, 'tub-vent' => 14 * 25.4] as $vent => $mm) {
            $legs = $made->job->run($vent)->legs ?? [];
            $last = $legs[count($legs) - 1] ?? null;
            self::assertEqualsWithDelta($mm, $last?->length?->toMm(), 1.0, $vent);
        }
    }

    public function testATrapIsFittedOrSaysWhatToMeasure(): void
    {
        $answer = static fn (array $values): array => (new StartAnswer(Catalogue::shipped()))
            ->written(self::make(Starts::shipped()['trap'], $values));
        self::assertSame(['measure the trap'], array_column($answer([])['against'], 'title'));
        self::assertCount(5, $answer([])['later']);
        $measured = ['tall' => '4-3/4', 'reach' => '4-1/4', 'elbow' => '15/16', 'depth' => '3/4', 'seal' => '3'];
        // The arm: 10 in less a reach of 4-1/4 in; less the elbow, 15/16 in, and 3/4 in into the wall: 5-9/16 in. It
        // rises by 1/4 in a foot, 0.12 in; the trap is 4-3/4 in tall, and the tailpiece ends 5 in over the outlet.
        self::assertSame(
            [
                'The trap: cut the wall tube 5 9/16 in',
                'Extend the tailpiece by 1/8 in',
                'To buy: 1-1/2 trap, 1-1/2 extension tube, 1-1/2 wall tube',
            ],
            $answer($measured)['says'],
        );
    }

    public function testWhatAJoistDoesNotStandIsSaid(): void
    {
        $against = static fn (array $values): array => array_column(
            (new StartAnswer(Catalogue::shipped()))->written(self::make(Starts::shipped()['tub'], $values))['against'],
            'title',
        );
        self::assertSame([], $against([]));
        self::assertContains('drain: hole too near the edge', $against(['under' => '1-3/4']));
        self::assertSame([], $against(['under' => '1-3/4', 'joists' => '0']));
    }

    public function testPipeThatStandsIsHeldAndNotCut(): void
    {
        $answer = (new StartAnswer(Catalogue::shipped()))->written(self::make(Starts::shipped()['clips'], []));
        // 12 in from its beginning, 6 in before its end, no further apart than 4 ft: 222 in over five spans.
        self::assertSame(
            ['pipe: 6 hangers, at 12 in, 56 3/8 in, 100 13/16 in, 145 3/16 in, 189 5/8 in, 234 in'],
            $answer['says'],
        );
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
    private static function make(Start $start, array $values, string $book = 'upc-2021'): MadeStart
    {
        $catalogue = Catalogue::shipped();
        $empty = (new JobFile($catalogue))->read([
            'format' => JobFile::FORMAT,
            'version' => JobFile::VERSION,
            'name' => $start->name,
            'units' => $start->units()->value,
            'rulebook' => $start->units() === Units::Inch ? $book : 'adh-2015',
            'runs' => [],
        ]);

        return (new StartMaker($catalogue))->make($start, $values, $empty);
    }

    /** @return list<string> */
    private static function wrong(StartField $field): array
    {
        return match ($field->kind) {
            FieldKind::Length => [
                'abc',
                '900 m',
                ...$field->isOptional ? [] : [''],
                ...($field->least ?? 0.0) > 2.0 ? ['1/16'] : [],
            ],
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
