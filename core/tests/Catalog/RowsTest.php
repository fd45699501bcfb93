<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Catalog;

use FallBend\Core\Catalog\Rows;
use FallBend\Core\Catalog\StraightFitting;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use LogicException;
use PHPUnit\Framework\TestCase;

final class RowsTest extends TestCase
{
    private const BUSHING = [
        'size' => '3',
        'reduces_to' => '2',
        'name' => 'bushing',
        'maker_name' => 'bushing',
        'offset_mm' => 1.0,
        'source' => 'made up',
        'confidence' => 'low',
        'status' => 'assumed',
    ];

    /** @var list<string> sizes of what was read, in the order of reading */
    private array $seen = [];

    public function testARowIsReadOnceAndOnlyWhenItIsAskedFor(): void
    {
        $rows = $this->rows([['id' => '4', 'kind' => 'a'], ['id' => 'x', 'kind' => 'b'], ['id' => 'y', 'kind' => 'a']]);
        self::assertSame([], $this->seen);
        self::assertSame($rows['x'], $rows['x']);
        self::assertSame(['x'], $this->seen);
        self::assertTrue(isset($rows['4']), 'an id of digits is an id');
        self::assertNull($rows['none'] ?? null);
        self::assertCount(2, $rows->having('kind', 'a'));
        self::assertSame(['x', '4', 'y'], $this->seen);
        self::assertSame(['4', 'x', 'y'], $rows->ids());
        self::assertSame(
            ['4', 'x', 'y'],
            array_map(static fn (object $row): string => $row->id, array_values([...$rows])),
            'in the order of the file',
        );
        self::assertCount(3, $this->seen, 'nothing is read twice');
    }

    public function testWhatIsWrongIsRefusedAtItsPlace(): void
    {
        $rows = $this->rows([['id' => 'a'], ['id' => 'bad']]);
        self::assertSame('a', $rows['a']->id, 'a row that is wrong hurts nobody who does not ask for it');
        try {
            $rows->all();
            self::fail('was taken');
        } catch (BadInput $bad) {
            self::assertSame('bends.1.id', $bad->field);
        }
        foreach ([[['id' => 'a'], ['id' => 'a']], [['id' => 'a'], ['id' => 3]], [['id' => 'a'], 'x']] as $wrong) {
            try {
                $this->rows($wrong)->ids();
                self::fail('was taken');
            } catch (BadInput $bad) {
                self::assertStringStartsWith('bends.1', $bad->field);
            }
        }
        $this->expectException(LogicException::class);
        $rows['b'] = $rows['a'];
    }

    /**
     * @param list<mixed> $list
     * @return Rows<StraightFitting>
     */
    private function rows(array $list): Rows
    {
        return Rows::under(Fields::of(['bends' => $list]), 'bends', function (Fields $row): StraightFitting {
            $id = $row->string('id');
            if ($id === 'bad') {
                throw BadInput::at($row->at('id'), 'is bad');
            }
            $this->seen[] = $id;

            return StraightFitting::bushing(Fields::of(['id' => $id] + self::BUSHING), 'pvc-dwv-40');
        });
    }
}
