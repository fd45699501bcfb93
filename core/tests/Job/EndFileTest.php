<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\End;
use FallBend\Core\Job\EndFile;
use FallBend\Core\Job\TrapKind;
use PHPUnit\Framework\TestCase;

/** An end of a run as it stands in the job file. */
final class EndFileTest extends TestCase
{
    /** @param array<string, mixed> $document */
    private static function read(array $document): End
    {
        return (new EndFile([]))->read(Fields::of($document + ['what' => 'it']), End::OUTLETS);
    }

    public function testWhereNobodySaysWhichTrapItIsTheUsualOne(): void
    {
        $trap = static fn (string $kind): ?TrapKind => self::read([
            'kind' => 'fixture',
            'fixture' => ['kind' => $kind],
        ])->fixture?->trap;
        self::assertSame([TrapKind::P, TrapKind::Integral], [$trap('lavatory'), $trap('water-closet')]);
    }

    public function testItReadsBackAsItIsWritten(): void
    {
        $documents = [
            ['kind' => 'fixture', 'fixture' => ['kind' => 'bath', 'trap' => 'drum', 'seal_mm' => 50.0, 'group' => 'b']],
            ['kind' => 'fixture', 'fixture' => ['kind' => 'shower', 'variant' => 'heads-3']],
            ['kind' => 'roof', 'terminal' => ['above_roof_mm' => 200.0]],
            ['kind' => 'branch', 'branch' => ['run' => 'main', 'leg' => 'l1', 'at_mm' => 900.0]],
            ['kind' => 'plain'],
        ];
        foreach ($documents as $document) {
            $end = self::read($document);
            $written = json_decode(json_encode(EndFile::document($end), JSON_THROW_ON_ERROR), true);
            self::assertIsArray($written);
            self::assertEquals($end, self::read($written));
        }
    }

    public function testAFieldOfAnotherKindIsRefusedAtItsPlace(): void
    {
        foreach (['fixture' => ['kind' => 'bath'], 'terminal' => [], 'run' => 'main'] as $field => $value) {
            try {
                self::read(['kind' => 'plain', $field => $value]);
                self::fail("{$field} was taken");
            } catch (BadInput $bad) {
                self::assertSame($field, $bad->field);
            }
        }
    }

    public function testAVariantThatIsNoneIsRefusedAtItsPlace(): void
    {
        try {
            self::read(['kind' => 'fixture', 'fixture' => ['kind' => 'shower', 'variant' => 'heads-9']]);
            self::fail('it was taken');
        } catch (BadInput $bad) {
            self::assertSame('fixture.variant', $bad->field);
        }
    }

    public function testItSaysWhatItIs(): void
    {
        $this->expectExceptionMessage('must not be empty');
        self::read(['kind' => 'plain', 'what' => ' ']);
    }
}
