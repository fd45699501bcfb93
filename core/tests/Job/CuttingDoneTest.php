<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\CuttingDone;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What was cut, as a job file holds it. */
final class CuttingDoneTest extends TestCase
{
    public function testWhereNobodySaidAnythingNothingIsWritten(): void
    {
        self::assertSame([], self::read([])->toArray());
        self::assertSame([], self::read(['objective' => 'sticks', 'effort' => 1])->toArray());
    }

    public function testWhatWasSaidIsWrittenAsItWasRead(): void
    {
        $said = [
            'kerf_mm' => 3.0,
            'objective' => 'price',
            'effort' => 4,
            'stock' => [['system' => 'pvc-dwv-40', 'size' => '2', 'length_mm' => 3048.0, 'available' => 0]],
            'cut' => [['run' => 'a', 'piece' => 'l1.1', 'length_mm' => 500.5]],
            'printed' => [
                [
                    'run' => 'a',
                    'on' => '2026-11-25',
                    'pieces' => [['piece' => 'l1.1', 'letter' => 'A', 'length_mm' => 500.0]],
                ],
            ],
        ];
        self::assertEquals($said, self::read($said)->toArray());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> with the place that is wrong */
    public static function wrong(): iterable
    {
        $piece = ['run' => 'a', 'piece' => 'l1.1', 'length_mm' => 500.0];
        $ticket = ['run' => 'a', 'on' => '2026-11-25', 'pieces' => []];
        yield 'a piece twice' => [['cut' => [$piece, $piece]], 'cut.1.piece'];
        yield 'a ticket twice' => [['printed' => [$ticket, $ticket]], 'printed.1.run'];
        yield 'a run that is not there' => [['cut' => [['run' => 'z'] + $piece]], 'cut.0.run'];
        yield 'no day' => [['printed' => [['on' => 'yesterday'] + $ticket]], 'printed.0.on'];
        yield 'no length' => [['cut' => [['length_mm' => 0] + $piece]], 'cut.0.length_mm'];
        yield 'too much effort' => [['effort' => 17], 'effort'];
        yield 'less than none' => [
            ['stock' => [['system' => 's', 'size' => '2', 'length_mm' => 9.0, 'available' => -1]]],
            'stock.0.available',
        ];
    }

    /** @param array<string, mixed> $fields */
    #[DataProvider('wrong')]
    public function testWhatIsWrongIsRefusedAtItsPlace(array $fields, string $at): void
    {
        try {
            self::read($fields);
            self::fail('it was taken');
        } catch (BadInput $refused) {
            self::assertSame($at, $refused->field);
        }
    }

    /** @param array<string, mixed> $fields */
    private static function read(array $fields): CuttingDone
    {
        return CuttingDone::read(Fields::of($fields), ['a', 'b']);
    }
}
