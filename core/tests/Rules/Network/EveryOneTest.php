<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Rules\Network;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A rule looks at every one of what it judges, not only at the first, and not at what it is not for. */
final class EveryOneTest extends TestCase
{
    private const STACK = ['stack' => ['roof', 'down 144', 'socket', ['size' => '3', 'use' => 'drain']]];

    private const BASIN = ['lavatory', 'north 30 fall 1/4', 'stack 1 1000'];

    /** @return iterable<string, array{string, string, array<string, array<mixed>>, list<string>}> */
    public static function cases(): iterable
    {
        $fixture = static fn (string $words, float $at, string $size = '2'): array => [
            $words,
            'north 30 fall 1/4',
            "stack 1 {$at}",
            ['size' => $size],
        ];
        yield 'a standpipe after a basin' => [
            'ipc-2021',
            'standpipe.height',
            self::STACK + ['basin' => self::BASIN, 'washer' => $fixture('clothes-washer standpipe=450', 1800)],
            ['washer'],
        ];
        yield 'two standpipes' => [
            'ipc-2021',
            'standpipe.height',
            self::STACK + [
                'a' => $fixture('clothes-washer standpipe=450', 1000),
                'b' => $fixture('clothes-washer standpipe=450', 1800),
            ],
            ['a', 'b'],
        ];
        yield 'two traps that a book does not take' => [
            'ipc-2021',
            'trap.kind',
            self::STACK + ['a' => $fixture('lavatory trap=s', 1000), 'b' => $fixture('lavatory trap=bell', 1800)],
            ['a', 'b'],
        ];
        yield 'a trap that is missing before one that is not taken' => [
            'ipc-2021',
            'trap.kind',
            self::STACK + ['a' => $fixture('lavatory trap=none', 1000), 'b' => $fixture('lavatory trap=s', 1800)],
            ['b'],
        ];
        yield 'two seals' => [
            'ipc-2021',
            'trap.seal',
            self::STACK + ['a' => $fixture('lavatory seal=40', 1000), 'b' => $fixture('lavatory seal=40', 1800)],
            ['a', 'b'],
        ];
        yield 'a closet whose trap is doubled, after a basin' => [
            'ipc-2021',
            'trap.doubled',
            self::STACK + ['basin' => self::BASIN, 'wc' => $fixture('water-closet trap=p', 1800, '3')],
            ['wc'],
        ];
        $valve = static fn (string $off): array => ["vent off {$off} 1 300", 'up 60', 'valve'];
        yield 'two valves where a book takes none' => [
            'upc-2021',
            'valve.refused',
            self::STACK + [
                'a' => $fixture('lavatory', 1000),
                'b' => $fixture('lavatory', 1800),
                'va' => $valve('a'),
                'vb' => $valve('b'),
            ],
            ['va', 'vb'],
        ];
    }

    /**
     * @param array<string, array{0: string, 1: string, 2: string, 3?: array<string, mixed>}> $runs
     * @param list<string> $at ids of the runs that it is found at
     */
    #[DataProvider('cases')]
    public function testLooksAtEveryOne(string $book, string $rule, array $runs, array $at): void
    {
        $found = array_filter(
            CaseJob::findings(CaseJob::of($book, $runs)),
            static fn (string $finding): bool => str_starts_with($finding, "{$rule}@"),
        );
        self::assertSame(
            array_map(static fn (string $run): string => "{$rule}@{$run}", $at),
            array_values($found),
        );
    }

    public function testAJoistThatNobodyMeasuredIsNotJudgedByNothing(): void
    {
        $through = static fn (array $joist): array => CaseJob::findings(
            CaseJob::of(
                'ipc-2021',
                ['main' => ['lavatory', 'north 120 fall 1/4', 'socket', ['use' => 'drain']]],
                [$joist + ['kind' => 'joist', 'cut' => 'notch', 'run' => 'main', 'leg' => 'l1', 'at_mm' => 600]],
            ),
            true,
        );
        foreach ([['top_mm' => 7], ['depth_mm' => 235]] as $half) {
            self::assertContains('joist.measure@main', $through($half));
            self::assertNotContains('joist.notch@main', $through($half));
        }
        self::assertContains('joist.notch@main', $through(['top_mm' => 7, 'depth_mm' => 235]));
    }

    public function testALegThatIsNotUnderstoodSaysHowManyWaitForIt(): void
    {
        $file = new JobFile(Catalogue::shipped());
        $legs = ['main' => ['lavatory', 'north 60 fall 1/4 / east 20 / north 20', 'socket']];
        $document = json_decode($file->write(CaseJob::of('ipc-2021', $legs)), true);
        array_splice($document['runs'][0]['legs'], 1, 0, [['id' => 'words', 'unread' => 'what is this']]);
        $job = $file->read($document);
        $said = array_column(CaseJob::evaluation($job)['runs'][0]['findings'], null, 'rule');
        self::assertSame(2, ((array) $said['leg.unread']['params'])['waiting']);
    }
}
