<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\FramingKind;
use FallBend\Core\Job\Hanging;
use PHPUnit\Framework\TestCase;

/** What somebody decided about how a run is hung. */
final class HangingTest extends TestCase
{
    /** @param array<string, mixed> $document */
    private static function read(array $document): Hanging
    {
        return Hanging::ofRuns([Fields::of(['run' => 'main'] + $document)], ['main'])['main'];
    }

    public function testItReadsBackAsItIsWritten(): void
    {
        $document = [
            'string_mm' => 150.0,
            'framing' => ['kind' => 'joist', 'every_mm' => 406.4, 'first_mm' => 100.0],
            'storey_mm' => 2700.0,
            'floor_mm' => 300.0,
            'own' => [['leg' => 'l1', 'at_mm' => 500.0]],
        ];
        $hanging = self::read($document);
        self::assertSame(FramingKind::Joist, $hanging->framing['kind'] ?? null);
        self::assertEquals(['run' => 'main'] + $document, $hanging->toArray());
        self::assertEquals($hanging, self::read($hanging->toArray()));
    }

    public function testNoHangersByHandIsSomethingElseThanNoneTouched(): void
    {
        self::assertNull(self::read([])->own);
        self::assertSame([], self::read(['own' => []])->own);
        self::assertArrayNotHasKey('own', self::read([])->toArray());
        self::assertArrayHasKey('own', self::read(['own' => []])->toArray());
    }

    public function testAFloorIsSaidWithItsStoreyOnly(): void
    {
        self::assertArrayNotHasKey('floor_mm', self::read(['floor_mm' => 300])->toArray());
    }

    public function testARunStandsOnce(): void
    {
        $this->expectExceptionMessage('stands twice');
        Hanging::ofRuns([Fields::of(['run' => 'main']), Fields::of(['run' => 'main'])], ['main']);
    }

    public function testWhatCrossesAreJoistsOrStuds(): void
    {
        $this->expectExceptionObject(BadInput::at('framing.kind', 'must be one of joist, stud', 'beam'));
        self::read(['framing' => ['kind' => 'beam', 'every_mm' => 400]]);
    }
}
