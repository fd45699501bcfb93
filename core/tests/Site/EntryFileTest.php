<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Site;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Site\EntryFile;
use FallBend\Core\Site\EntryKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class EntryFileTest extends TestCase
{
    private const JOINT = ['run' => 'r', 'joint' => 3];

    /** @return iterable<string, array{EntryKind, array<string, mixed>}> */
    public static function entries(): iterable
    {
        yield 'cut' => [EntryKind::Cut, ['run' => 'r', 'piece' => 'l1.1', 'length_mm' => 400.5]];
        yield 'not cut after all' => [EntryKind::Cut, ['run' => 'r', 'piece' => 'l1.1', 'entry' => 4]];
        yield 'printed' => [
            EntryKind::Printed,
            ['run' => 'r', 'on' => '2026-02-28', 'pieces' => ['l1.1' => 4.5], 'letters' => ['l1.1' => 'A']],
        ];
        yield 'level' => [EntryKind::Level, ['run' => 'r', 'leg' => 'l1', 'at_mm' => 300.0, 'below_mm' => -12.5]];
        yield 'no level after all' => [EntryKind::Level, ['run' => 'r', 'leg' => 'l1', 'at_mm' => 300.0, 'entry' => 9]];
        yield 'measured' => [
            EntryKind::Measured,
            ['standing' => 'tee', 'evidence' => ['od_mm' => 48.4, 'reading_error_mm' => 0.8, 'magnet' => true]],
        ];
        yield 'not measured after all' => [EntryKind::Measured, ['standing' => 'tee', 'entry' => 2]];
        yield 'dry fit' => [EntryKind::DryFit, self::JOINT];
        yield 'joint' => [EntryKind::Joint, self::JOINT];
        yield 'joint with all of it' => [
            EntryKind::Joint,
            self::JOINT + [
                'method' => 'solvent-pvc',
                'part' => 'can of Monday',
                'air_c' => 12.0,
                'rh_percent' => 60.0,
                'torque_nm' => 6.8,
                'pieces' => ['leg-1.pipe' => 400.5],
            ],
        ];
        yield 'seen' => [EntryKind::Seen, self::JOINT + ['depth' => true, 'bead' => false]];
        yield 'trouble' => [EntryKind::Trouble, self::JOINT + ['what' => 'too-late', 'note' => 'It took at once.']];
        yield 'cut out' => [EntryKind::CutOut, self::JOINT];
        yield 'test begun' => [EntryKind::TestBegun, ['system' => 'r', 'stage' => 'buried', 'what' => 'water']];
        yield 'reading' => [EntryKind::Reading, ['test' => 'key-of-the-test', 'value' => -1.5]];
        yield 'test ended' => [EntryKind::TestEnded, ['test' => 'key-of-the-test']];
        yield 'walk' => [EntryKind::Walk, self::JOINT + ['dry' => false]];
        yield 'check' => [
            EntryKind::Check,
            ['system' => 'r', 'stage' => 'finished', 'check' => 'overflow', 'ok' => true],
        ];
        yield 'located' => [
            EntryKind::Located,
            self::JOINT + ['from' => 'corner', 'from_mm' => 1.0, 'second' => 'post', 'second_mm' => 2.0],
        ];
        yield 'services' => [EntryKind::Services, ['run' => 'r', 'note' => 'Located and painted, ticket 4711.']];
        yield 'photograph' => [EntryKind::Photograph, self::JOINT + ['hash' => str_repeat('a1', 32)]];
        yield 'photograph of the whole' => [EntryKind::Photograph, ['hash' => str_repeat('a1', 32), 'note' => 'x']];
        yield 'signed' => [EntryKind::Signed, ['name' => 'Anna', 'role' => '']];
        yield 'note' => [EntryKind::Note, ['note' => 'The stub is oval.']];
        yield 'taken back' => [EntryKind::TakenBack, ['entry' => 7]];
    }

    /** @param array<string, mixed> $said */
    #[DataProvider('entries')]
    public function testWhatIsSaidIsKept(EntryKind $kind, array $said): void
    {
        $fields = Fields::of($said);
        self::assertEquals($said, EntryFile::read($kind, $fields));
        $fields->end();
    }

    public function testEveryKindIsTried(): void
    {
        $tried = [];
        foreach (self::entries() as [$kind]) {
            $tried[] = $kind->value;
        }
        self::assertSame([], array_diff(array_column(EntryKind::cases(), 'value'), $tried));
    }

    /** @return iterable<string, array{EntryKind, array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'cut to nothing' => [EntryKind::Cut, ['run' => 'r', 'piece' => 'l1.1', 'length_mm' => 0], 'length_mm'];
        $ticket = ['run' => 'r', 'pieces' => ['l1.1' => 4.5], 'letters' => ['l1.1' => 'A']];
        yield 'a day that is none' => [EntryKind::Printed, $ticket + ['on' => '2026-02-30'], 'on'];
        yield 'a day in words' => [EntryKind::Printed, $ticket + ['on' => 'yesterday'], 'on'];
        yield 'a letter of no piece' => [
            EntryKind::Printed,
            ['letters' => ['l1.1' => 'A', 'l2.1' => 'B'], 'on' => '2026-02-28'] + $ticket,
            'letters.l2.1',
        ];
        yield 'a level of no hanger' => [EntryKind::Level, ['run' => 'r', 'leg' => 'l1', 'below_mm' => 3], 'at_mm'];
        yield 'evidence that contradicts itself' => [
            EntryKind::Measured,
            ['standing' => 'tee', 'evidence' => ['od_mm' => 58, 'circumference_mm' => 182, 'reading_error_mm' => 1]],
            'evidence.od_mm',
        ];
        yield 'a colour that nobody knows' => [
            EntryKind::Measured,
            ['standing' => 'tee', 'evidence' => ['od_mm' => 58, 'reading_error_mm' => 1, 'colour' => 'mauve']],
            'evidence.colour',
        ];
        yield 'no joint' => [EntryKind::Joint, ['run' => 'r'], 'joint'];
        yield 'no such trouble' => [EntryKind::Trouble, self::JOINT + ['what' => 'sad'], 'what'];
        yield 'nothing seen' => [EntryKind::Seen, self::JOINT, 'depth'];
        yield 'half seen' => [EntryKind::Seen, self::JOINT + ['depth' => 'a bit'], 'depth'];
        yield 'neither dry nor wet' => [EntryKind::Walk, self::JOINT + ['dry' => null], 'dry'];
        yield 'a reading of nothing' => [EntryKind::Reading, ['test' => 'x', 'value' => 'low'], 'value'];
        yield 'a picture without a hash' => [EntryKind::Photograph, ['hash' => 'cat.jpg'], 'hash'];
        yield 'no word' => [EntryKind::Note, ['note' => '  '], 'note'];
        yield 'nobody signs' => [EntryKind::Signed, ['name' => ''], 'name'];
        yield 'colder than can be' => [EntryKind::Joint, self::JOINT + ['air_c' => -200], 'air_c'];
        yield 'a piece without a length' => [EntryKind::Joint, self::JOINT + ['pieces' => ['a' => 'long']], 'pieces.a'];
    }

    /** @param array<string, mixed> $said */
    #[DataProvider('wrong')]
    public function testWhatIsWrongIsSaidAtItsPlace(EntryKind $kind, array $said, string $field): void
    {
        try {
            EntryFile::read($kind, Fields::of($said));
            self::fail('it was taken');
        } catch (BadInput $bad) {
            self::assertSame($field, $bad->field);
        }
    }
}
