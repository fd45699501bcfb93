<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\CallOut;

use FallBend\Core\CallOut\Phrase;
use FallBend\Core\CallOut\RunReader;
use FallBend\Core\CallOut\Unread;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Run;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A whole run said in one line. */
final class RunReaderTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, mixed>}> line; what the run is, by path */
    public static function lines(): iterable
    {
        yield 'a fixture into a stack' => [
            'basin / east 30 fall 1/4 / into stack 60',
            [
                'id' => 'basin',
                'use' => 'fixture-drain',
                'size' => '1-1/2',
                'system' => 'pvc-dwv-40',
                'kind' => 'lavatory',
                'trap' => 'p',
                'into' => 'stack l1 1524',
                'legs' => 1,
            ],
        ];
        yield 'named, sized, in a group, with its rim' => [
            'lav two: lavatory 1-1/2 group a rim 31 / east 30 / into stack 40',
            [
                'id' => 'lav-two',
                'name' => 'lav two',
                'size' => '1-1/2',
                'group' => 'a',
                'rim' => 787.4,
                'into' => 'stack l1 1016',
            ],
        ];
        yield 'a closet has its trap in it' => [
            'closet / east 30 / into stack 60',
            ['size' => '3', 'kind' => 'water-closet', 'trap' => 'integral'],
        ];
        yield 'another trap, its seal, a standpipe' => [
            'washer trap running seal 3 standpipe 30 / east 30 / into stack 60',
            ['kind' => 'clothes-washer', 'trap' => 'running', 'seal' => 76.2, 'standpipe' => 762.0, 'size' => '2'],
        ];
        yield 'a standpipe by its size' => [
            'standpipe 2 / east 30 / into stack 60',
            ['kind' => 'clothes-washer', 'size' => '2'],
        ];
        yield 'further along, on the second leg' => [
            'tub / east 30 / into stack 150',
            ['into' => 'stack l2 762', 'kind' => 'bath', 'size' => '1-1/2'],
        ];
        yield 'into a turn' => ['sink / east 30 / into stack turn 2', ['into' => 'stack l2 turn']];
        yield 'with a fitting' => [
            'kitchen sink / east 30 / into stack 60 with a swept tee',
            ['into' => 'stack l1 1524 swept-tee', 'kind' => 'kitchen-sink'],
        ];
        yield 'the beginning of a name is enough' => [
            'shower facing south / ahead 30 / into sta 60',
            ['into' => 'stack l1 1524', 'heading' => 180.0],
        ];
        yield 'a vent takes after its drain' => [
            'vent off arm 12 / up 40 / roof',
            ['id' => 'vent-of-the-arm', 'use' => 'vent', 'size' => '1-1/2', 'from' => 'arm l1 304.8', 'end' => 'roof'],
        ];
        yield 'a vent of a large drain is two inches' => [
            'v: vent from stack 30 / up 40 / valve',
            ['id' => 'v', 'size' => '2', 'end' => 'valve'],
        ];
        yield 'a vent that joins another run' => [
            'vent off arm 12 / up 40 / left 20 / into stack 10',
            ['into' => 'stack l1 254', 'legs' => 2],
        ];
        yield 'a vent without an end leads through the roof' => ['vent off arm 12 / up 40', ['end' => 'roof']];
        yield 'a stack' => [
            'riser: roof 4 / down 10\' / north 96',
            ['id' => 'riser', 'use' => 'drain', 'size' => '4', 'end' => 'socket', 'legs' => 2],
        ];
        yield 'a stack of the usual size' => ['roof / down 120', ['size' => '3', 'use' => 'drain']];
        yield 'on into a run' => ['cap / north 30 / on into stack', ['next' => 'stack', 'size' => '3']];
        yield 'from and to something that is no run' => [
            'from "old hub" / north 30 / to "sewer stub"',
            ['id' => 'old-hub', 'name' => 'old hub', 'what' => 'old hub', 'to' => 'sewer stub'],
        ];
        yield 'made of something else' => ['sink in abs-dwv-40 / north 30', ['system' => 'abs-dwv-40']];
        yield 'an id that is taken gets a number' => ['stack: roof / down 120', ['id' => 'stack-2']];
        yield 'a name of digits makes an id with a letter' => [
            '12: basin / east 30 / into stack 60',
            ['id' => 'run-12', 'name' => '12'],
        ];
        yield 'lines and semicolons part phrases too' => [
            "bidet\neast 30; south 12\ninto stack 60",
            ['legs' => 2, 'into' => 'stack l1 1524'],
        ];
        yield 'a slash in a number is no end of a phrase' => [
            'basin / east 30 1/2 / into stack 60 1/4',
            ['into' => 'stack l1 1530.35', 'legs' => 1],
        ];
    }

    /** @param array<string, mixed> $expected */
    #[DataProvider('lines')]
    public function testReadsALine(string $line, array $expected): void
    {
        $read = (new RunReader(self::house(), Catalogue::shipped()))->read($line);
        self::assertNotNull(
            $read['run'],
            json_encode(
                array_map(static fn (Phrase $phrase): array => $phrase->unread, $read['phrases']),
                JSON_THROW_ON_ERROR,
            ),
        );
        $told = self::told($read['run']);
        foreach ($expected as $key => $value) {
            is_float($value)
                ? self::assertEqualsWithDelta($value, $told[$key], 0.001, $key)
                : self::assertSame($value, $told[$key], $key);
        }
    }

    public function testARunIsNamedByAllItsWordsAndAVentByWhatItVents(): void
    {
        $catalogue = Catalogue::shipped();
        $house = self::house();
        $read = static fn (string $line, Job $job): ?Run => (new RunReader($job, $catalogue))->read($line)['run'];
        $vent = $read('arm vent: vent off arm 20 / up 90 / roof', $house);
        self::assertNotNull($vent);
        $job = $house->withRuns([...$house->runs, $vent]);
        foreach (['arm vent 64', 'vent of arm 64', 'the vent of arm 64'] as $into) {
            $branch = $read("basin / east 30 / into {$into}", $job)?->tieIn->branch;
            self::assertSame('arm-vent', $branch?->run, $into);
            self::assertEqualsWithDelta(64 * 25.4, $branch->atMm ?? 0.0, 0.01);
        }
        self::assertSame('arm', $read('basin / east 30 / into arm 12', $job)?->tieIn->branch?->run);
    }

    /** @return iterable<string, array{string, string, string}> line, the words that are marked, what is said of them */
    public static function faults(): iterable
    {
        yield 'no beginning' => ['banana / east 30', 'banana', 'Say what it comes from'];
        yield 'nothing but a name' => ['lav: / east 30', 'lav:', 'Say what it comes from'];
        yield 'a word too much after the fixture' => ['basin purple / east 30', 'purple', 'After the fixture come'];
        yield 'a size where a height belongs' => [
            'washer standpipe 2 / east 30 / into stack 60',
            'standpipe 2',
            'Say “size 2” for the pipe',
        ];
        yield 'a leg' => ['basin / sideways 30 / into stack 60', 'sideways', ''];
        yield 'no such run' => [
            'basin / east 30 / into chimney 60',
            'into chimney 60',
            'No run of this job is called “chimney”. They are: stack, arm',
        ];
        yield 'no place on it' => ['basin / east 30 / into stack', 'into stack', 'how far along'];
        yield 'a turn that it has not' => [
            'basin / east 30 / into stack turn 7',
            'into stack turn 7',
            'no turn into a leg 7',
        ];
        yield 'no such fitting' => [
            'basin / east 30 / into stack 60 with glue',
            'into stack 60 with glue',
            'A branch is',
        ];
        yield 'a vent off nothing' => [
            'vent off chimney 20 / up 30 / roof',
            'vent off chimney 20',
            'No run of this job',
        ];
        yield 'on into nothing' => ['cap / north 30 / on into chimney', 'on into chimney', 'No run of this job'];
        yield 'a name that begins two' => ['basin / east 30 / into s 60', 'into s 60', 'No run of this job'];
    }

    #[DataProvider('faults')]
    public function testMarksWhatItDoesNotUnderstandAndMakesNoRun(string $line, string $words, string $message): void
    {
        $job = self::house();
        $read = (new RunReader(
            $words === 'into s 60' ? $job->withRuns([...$job->runs, self::again($job->runs[0], 'sink')]) : $job,
            Catalogue::shipped(),
        ))->read($line);
        self::assertNull($read['run']);
        $unread = array_merge(...array_map(static fn (Phrase $phrase): array => $phrase->unread, $read['phrases']));
        self::assertNotSame([], $unread);
        /** @var Unread $first */
        $first = $unread[0];
        self::assertSame($words, mb_substr($line, $first->at, $first->length));
        self::assertStringContainsString($message, $first->message);
    }

    public function testMarksStandRightAfterLettersOfMoreThanOneByte(): void
    {
        $line = 'spüle größe: basin / öst 30';
        $read = (new RunReader(self::house(), Catalogue::shipped()))->read($line);
        $unread = array_merge(...array_map(static fn (Phrase $phrase): array => $phrase->unread, $read['phrases']));
        self::assertSame('öst', mb_substr($line, $unread[0]->at, $unread[0]->length));
    }

    public function testNothingSaidIsNoRunAndNoFault(): void
    {
        self::assertSame(
            ['run' => null, 'phrases' => []],
            (new RunReader(self::house(), Catalogue::shipped()))->read("  /  \n "),
        );
        self::assertNull(
            (new RunReader(self::house(), Catalogue::shipped()))->read('basin')['run'],
            'a head alone waits for its legs',
        );
    }

    /** @return iterable<string, array{string, string, string}> line, system, size */
    public static function metric(): iterable
    {
        yield 'a stack is of soil pipe' => ['roof / down 3000', 'pvcu-soil', '110'];
        yield 'so is the drain of a closet' => ['wc / east 600 / into stack 900', 'pvcu-soil', '110'];
        yield 'a basin is of waste pipe, though the stack is not' => [
            'basin / east 600 / into stack 900',
            'pvcu-solvent',
            '32',
        ];
        yield 'so is a bath that ends at a gully' => ['bath / east 600 / gully', 'pvcu-solvent', '40'];
        yield 'a vent is of what it leaves, up to 50' => ['vent off stack 400 / up 900 / roof', 'pvcu-soil', '82'];
    }

    #[DataProvider('metric')]
    public function testWhatIsUsualComesFromTheRulebook(string $line, string $system, string $size): void
    {
        $job = CaseJob::of('adh-2015', [
            'stack' => [
                'roof',
                'down 4000 / north 2000',
                'socket',
                ['size' => '110', 'system' => 'pvcu-soil', 'use' => 'drain'],
            ],
        ]);
        $run = (new RunReader($job, Catalogue::shipped()))->read($line)['run'];
        self::assertSame([$system, $size], [$run?->system, $run?->size]);
    }

    private static function house(): Job
    {
        return CaseJob::of('ipc-2021', [
            'stack' => ['roof', 'down 120 / north 96 fall 1/4', 'socket', ['size' => '3', 'use' => 'drain']],
            'arm' => ['lavatory', 'east 30 fall 1/4', 'stack 1 1000', ['size' => '1-1/2']],
        ]);
    }

    private static function again(Run $run, string $id): Run
    {
        return new Run(...['id' => $id, 'name' => $id] + get_object_vars($run));
    }

    /** @return array<string, mixed> */
    private static function told(Run $run): array
    {
        $place = static fn ($branch): ?string => $branch === null
            ? null
            : trim(
                "{$branch->run} {$branch->leg} ".
                    ($branch->atMm === null ? 'turn' : round($branch->atMm, 3)).
                    ' '.
                    ($branch->pattern ?? ''),
            );
        $fixture = $run->outlet->fixture;

        return [
            'id' => $run->id,
            'name' => $run->name,
            'use' => $run->use->value,
            'size' => $run->size,
            'system' => $run->system,
            'heading' => $run->headingDeg,
            'legs' => count(array_filter($run->legs, static fn (Leg $leg): bool => $leg->unread === null)),
            'kind' => $fixture?->kind->value,
            'trap' => $fixture?->trap->value,
            'group' => $fixture?->group,
            'rim' => $fixture?->rimMm,
            'seal' => $fixture?->sealMm,
            'standpipe' => $fixture?->standpipeMm,
            'what' => $run->outlet->what,
            'from' => $place($run->outlet->branch),
            'into' => $place($run->tieIn->branch),
            'end' => $run->tieIn->kind->value,
            'next' => $run->tieIn->next,
            'to' => $run->tieIn->what,
        ];
    }
}
