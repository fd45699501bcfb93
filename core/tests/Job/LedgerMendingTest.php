<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Input\Fields;
use FallBend\Core\Job\LedgerMending;
use FallBend\Core\Job\Marks;
use FallBend\Core\Job\MarksFile;
use FallBend\Core\Job\OnSite;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LedgerMendingTest extends TestCase
{
    /**
     * @return iterable<string, array{array<string, mixed>, array<string, mixed>, int}> a ledger, the ledger mended, how
     *     many changes are told
     */
    public static function ledgers(): iterable
    {
        yield 'one that can be read stays' => [
            ['pieces' => ['l1.1' => 'B'], 'joints' => ['outlet' => 3], 'next_piece' => 7, 'next_joint' => 4],
            ['pieces' => ['l1.1' => 'B'], 'joints' => ['outlet' => 3], 'next_piece' => 7, 'next_joint' => 4],
            0,
        ];
        yield 'the piece that is cut keeps its letter' => [
            ['pieces' => ['l1.1' => 'A', 'l2.1' => 'A', 'l3.1' => 'C']],
            [
                'pieces' => ['l2.1' => 'A', 'l1.1' => 'D', 'l3.1' => 'C'],
                'joints' => [],
                'next_piece' => 4,
                'next_joint' => 1,
            ],
            1,
        ];
        yield 'of two joints the first keeps its number' => [
            ['joints' => ['outlet' => 2, 'tie-in' => 2, 'l2.in' => 5]],
            [
                'pieces' => [],
                'joints' => ['outlet' => 2, 'tie-in' => 6, 'l2.in' => 5],
                'next_piece' => 0,
                'next_joint' => 7,
            ],
            1,
        ];
        yield 'what comes next comes after what is used' => [
            ['pieces' => ['l1.1' => 'C'], 'next_piece' => 1, 'next_joint' => Marks::JOINTS_END + 5],
            ['pieces' => ['l1.1' => 'C'], 'joints' => [], 'next_piece' => 3, 'next_joint' => 1],
            2,
        ];
        yield 'what is no mark is given one' => [
            [
                'pieces' => ['l1.1' => 'a1', 'l2.1' => 7, 'l3.1' => 'B'],
                'joints' => ['outlet' => 0, 'tie-in' => Marks::JOINTS_END],
            ],
            [
                'pieces' => ['l2.1' => 'C', 'l1.1' => 'D', 'l3.1' => 'B'],
                'joints' => ['outlet' => 1, 'tie-in' => 2],
                'next_piece' => 4,
                'next_joint' => 3,
            ],
            4,
        ];
    }

    /**
     * @param array<string, mixed> $ledger
     * @param array<string, mixed> $expected
     */
    #[DataProvider('ledgers')]
    public function testALedgerIsReadableAfterwards(array $ledger, array $expected, int $told): void
    {
        $before = ['runs' => [['id' => 'a', 'name' => 'Sink', 'marks' => $ledger]], 'other' => 'stays'];
        [$document, $changes] = LedgerMending::mended($before, new OnSite(['a' => ['l2.1' => 10.0]]));
        // Up to version 3 what is cut stood in the document.
        $cut = ['cutting' => ['cut' => [['run' => 'a', 'piece' => 'l2.1', 'length_mm' => 10]]]];
        self::assertSame($document + $cut, LedgerMending::mended($before + $cut)[0]);
        self::assertCount($told, $changes);
        $marks = MarksFile::read(Fields::of($document['runs'][0]['marks']));
        self::assertEquals($expected, [
            'pieces' => $marks->pieces,
            'joints' => $marks->joints,
            'next_piece' => $marks->nextPiece,
            'next_joint' => $marks->nextJoint,
        ]);
        self::assertSame('stays', $document['other']);
        foreach ($changes as $change) {
            self::assertStringStartsWith('Sink: ', $change);
        }
    }

    public function testWhateverItIsGivenItGivesBack(): void
    {
        foreach ([[], ['runs' => 'none'], ['runs' => ['none']], ['runs' => [['marks' => 3]]]] as $document) {
            self::assertSame([$document, []], LedgerMending::mended($document));
        }
    }
}
