<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\CallOut;

use FallBend\Core\CallOut\CallOutPrinter;
use FallBend\Core\CallOut\CallOutReader;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\FittingChoice;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\LegFile;
use FallBend\Core\Job\Run;
use FallBend\Core\Job\Way;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\Units;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class CallOutReaderTest extends TestCase
{
    private const QUARTER = 1000 / 48;

    /** @return iterable<string, array{string, Leg}> */
    public static function phrases(): iterable
    {
        $in = static fn (float $inches): Length => Length::mm($inches * 25.4);
        yield 'as the issue says it' => [
            '54 1/2 right at 1/4 per foot',
            new Leg('', Way::Right, null, $in(54.5), fallMmPerM: self::QUARTER),
        ];
        yield 'way first' => ["left 3' 8", new Leg('', Way::Left, null, $in(44))];
        yield 'short fall' => [
            "east 4' 6 fall 1/2",
            new Leg('', Way::East, null, $in(54), fallMmPerM: 2 * self::QUARTER),
        ];
        yield 'unicode' => ['left 8½ at ¼ per ft', new Leg('', Way::Left, null, $in(8.5), fallMmPerM: self::QUARTER)];
        yield 'ratio' => ['left 20 1:48', new Leg('', Way::Left, null, $in(20), fallMmPerM: self::QUARTER)];
        yield 'one in' => ['left 20 fall 1 in 50', new Leg('', Way::Left, null, $in(20), fallMmPerM: 20.0)];
        yield 'percent' => ['2% left 20', new Leg('', Way::Left, null, $in(20), fallMmPerM: 20.0)];
        yield 'millimetres' => [
            '1384mm left 20 mm/m',
            new Leg('', Way::Left, null, Length::mm(1384), fallMmPerM: 20.0),
        ];
        yield 'level' => ['ahead 12 level', new Leg('', Way::Ahead, null, $in(12), fallMmPerM: 0.0)];
        yield 'drop' => ['on 20 drop 2 1/4', new Leg('', Way::On, null, $in(20), drop: $in(2.25))];
        yield 'rise' => ['on 20 rise 1', new Leg('', Way::On, null, $in(20), drop: $in(-1))];
        yield 'angle with its mark' => ['right 70° 12', new Leg('', Way::Right, 70.0, $in(12))];
        yield 'common angle without' => ['right 45 36', new Leg('', Way::Right, 45.0, $in(36))];
        yield 'a lone number is the length' => ['right 45', new Leg('', Way::Right, null, $in(45))];
        yield 'half angle' => ["down 22 1/2 3'", new Leg('', Way::Down, 22.5, $in(36))];
        yield 'to the stop' => ['on 22 to stop', new Leg('', Way::On, null, $in(22), isToStop: true)];
        yield 'fitting' => [
            'left 20 with long sweep',
            new Leg('', Way::Left, null, $in(20), fitting: FittingChoice::of(['long-sweep'])),
        ];
        yield 'pair' => [
            'left 20 by 45+22 street',
            new Leg('', Way::Left, null, $in(20), fitting: FittingChoice::of(['eighth', 'sixteenth'], true)),
        ];
        yield 'two of them' => [
            'left 20 with two 45s',
            new Leg('', Way::Left, null, $in(20), fitting: FittingChoice::of(['eighth', 'eighth'])),
        ];
        yield 'close' => ['right close', new Leg('', Way::Right, isClose: true)];
        yield 'size and name' => [
            'on 20 size 3 "To the Stack"',
            new Leg('', Way::On, null, $in(20), size: '3', what: 'To the Stack'),
        ];
    }

    #[DataProvider('phrases')]
    public function testReadsAPhrase(string $text, Leg $leg): void
    {
        [$phrase] = (new CallOutReader(Units::Inch, Fixtures::SIZES))->read($text);
        self::assertSame([], array_map(static fn ($unread): string => $unread->message, $phrase->unread));
        self::assertEqualsWithDelta($leg, $phrase->leg, 1e-9);
    }

    /** What is read is kept in a file: what no file can hold is marked where it stands, and its words stay. */
    #[DataProvider('beyondAFile')]
    public function testWhatNoFileCanHoldIsNotUnderstood(string $text): void
    {
        [$phrase] = (new CallOutReader(Units::Millimetre, Fixtures::SIZES))->read($text);
        self::assertNotSame([], $phrase->unread);
        self::assertSame($text, $phrase->leg->unread);
        LegFile::read(
            Fields::of(array_diff_key(LegFile::document($phrase->leg), ['id' => true])),
            'l1',
            Fixtures::SIZES,
        );
    }

    /** @return iterable<string, array{string}> */
    public static function beyondAFile(): iterable
    {
        yield 'a fall beyond the upright' => ['left 2000 fall 99999'];
        yield 'a ratio of nothing' => ['left 2000 1:0'];
        yield 'longer than a kilometre' => ['left 1000001'];
        yield 'very many words' => [rtrim(str_repeat('nothing that is understood ', 60))];
    }

    public function testMoreLegsThanARunHasAreRefused(): void
    {
        $run = Fixtures::run('');
        $reader = new CallOutReader(Units::Millimetre, Fixtures::SIZES);
        self::assertCount(
            Run::MOST_LEGS,
            $reader->apply($run, implode(' / ', array_fill(0, Run::MOST_LEGS, 'on 1')))->legs,
        );
        $this->expectException(BadInput::class);
        $reader->apply($run, implode(' / ', array_fill(0, Run::MOST_LEGS + 1, 'on 1')));
    }

    /** @return iterable<string, array{string, string, string}> text, what is marked, part of the message */
    public static function nonsense(): iterable
    {
        yield 'a word' => ['right 70° 12 banana', 'banana', 'Not understood'];
        yield 'in the second leg' => ['down 14 / right xyzzy 3', 'xyzzy', 'Not understood'];
        yield 'after wide characters' => ['down 14 "Küche" / right → 3', '→', 'Not understood'];
        yield 'two lengths' => ['right 5 6', '6', 'Said twice'];
        yield 'ambiguous comma' => ['left 1,384', '1,384', 'two ways'];
        yield 'no length' => ['down 14 / left', 'left', 'How long'];
        yield 'fall of an upright leg' => ['up 12 fall 1', 'up 12 fall 1', 'no fall of its own'];
        yield 'fall and drop' => ['on 12 fall 1 drop 2', 'on 12 fall 1 drop 2', 'not both'];
        yield 'drop beyond the leg' => ['on 12 drop 13', 'on 12 drop 13', 'more than the leg'];
        yield 'unknown size' => ['on 12 size 5', 'size 5', 'comes in'];
        yield 'angle out of range' => ['left 200° 12', '200°', 'between'];
        yield 'empty leg' => ['down 14 /  / left 3', ' ', 'missing'];
    }

    #[DataProvider('nonsense')]
    public function testMarksWhatItDoesNotUnderstandAndKeepsIt(string $text, string $marked, string $message): void
    {
        $phrases = (new CallOutReader(Units::Inch, Fixtures::SIZES))->read($text);
        $unread = array_merge(...array_map(static fn ($phrase): array => $phrase->unread, $phrases));
        self::assertNotSame([], $unread);
        self::assertSame(trim($marked), trim(mb_substr($text, $unread[0]->at, $unread[0]->length)));
        self::assertStringContainsString($message, $unread[0]->message);
        $kept = implode(
            ' / ',
            array_map(static fn ($phrase): string => (new CallOutPrinter(Units::Inch))->phrase($phrase->leg), $phrases),
        );
        foreach (preg_split('/[\s\/]+/', $marked, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            self::assertStringContainsString($word, $kept);
        }
    }

    public function testWhatIsPrintedReadsBackTheSame(): void
    {
        $random = new Randomizer(new Mt19937(99));
        foreach (Units::cases() as $units) {
            $printer = new CallOutPrinter($units);
            for ($i = 0; $i < 1500; $i++) {
                $leg = self::anyLeg($random);
                $text = $printer->phrase($leg);
                $phrases = (new CallOutReader($units, Fixtures::SIZES))->read($text);
                self::assertCount(1, $phrases, $text);
                self::assertSame([], $phrases[0]->unread, $text);
                self::assertEqualsWithDelta($leg, $phrases[0]->leg, 1e-8, $text);
                self::assertSame($text, $printer->phrase($phrases[0]->leg));
            }
        }
    }

    public function testNoInputMakesItFail(): void
    {
        $random = new Randomizer(new Mt19937(5));
        $words = [
            'left',
            '45',
            '°',
            '1/2',
            "4'",
            '"',
            '/',
            ' ',
            ';',
            'fall',
            'with',
            '+',
            'size',
            '½',
            ',',
            '.',
            '1:48',
            "\t",
            'é',
            '1,384',
            'drop',
            '%',
            '-',
            'per ft',
        ];
        $reader = new CallOutReader(Units::Inch, Fixtures::SIZES);
        for ($i = 0; $i < 1500; $i++) {
            $text = implode(
                $random->getInt(0, 1) === 1 ? ' ' : '',
                array_map(
                    static fn (): string => $words[$random->getInt(0, count($words) - 1)],
                    range(1, $random->getInt(1, 14)),
                ),
            );
            foreach ($reader->read($text) as $phrase) {
                foreach ($phrase->unread as $unread) {
                    self::assertGreaterThanOrEqual(0, $unread->at);
                    self::assertLessThanOrEqual(mb_strlen($text) + 1, $unread->at + $unread->length, $text);
                }
                self::assertTrue($phrase->unread === [] || $phrase->leg->unread !== null, $text);
            }
        }
    }

    public function testChangedAndInsertedLegsKeepTheirIds(): void
    {
        $reader = new CallOutReader(Units::Inch, Fixtures::SIZES);
        $ids = static fn ($run): array => array_map(static fn (Leg $leg): string => $leg->id, $run->legs);
        $run = Fixtures::run('down 14 / east 40 / left 30');
        self::assertSame(['l1', 'l2', 'l3'], $ids($run));
        self::assertSame(
            ['l1', 'l2', 'l3'],
            $ids($reader->apply($run, 'down 14 / east 41 / left 30')),
            'changed in place',
        );
        self::assertSame(
            ['l1', 'l4', 'l2', 'l3'],
            $ids($reader->apply($run, 'down 14 / right 9 / east 40 / left 30')),
            'inserted',
        );
        self::assertSame(['l1', 'l3'], $ids($reader->apply($run, 'down 14 / left 30')), 'taken out');
        self::assertSame(
            ['l1', 'l2', 'l3', 'l4'],
            $ids($reader->apply($run, 'down 14 / east 40 / left 30 / xyz')),
            'unread at the end',
        );
    }

    private static function anyLeg(Randomizer $random): Leg
    {
        $ways = Way::cases();
        $way = $ways[$random->getInt(0, count($ways) - 1)];
        $length =
            $random->getInt(0, 1) === 1
                ? Length::nm($random->getInt(1, 20_000) * 396_875)
                : Length::nm($random->getInt(2_000, 9_000_000_000));
        $slope = $way->isUpright() ? 0 : $random->getInt(0, 3);
        $fittings = [
            null,
            FittingChoice::of(['eighth']),
            FittingChoice::of(['quarter']),
            FittingChoice::of(['long-sweep', 'sixteenth'], true),
        ];

        return new Leg(
            '',
            $way,
            $way->takesAngle() && $random->getInt(0, 1) === 1 ? $random->getInt(1, 359) / 2 : null,
            $length,
            $random->getInt(0, 1) === 1,
            match ($slope) {
                1 => ($random->getInt(1, 64) * 1000) / 768,
                2 => (float) $random->getInt(0, 90),
                default => null,
            },
            $slope === 3 ? Length::nm(intdiv($length->nanometres, 3)) : null,
            $random->getInt(0, 2) === 0 ? '3' : null,
            $fittings[$random->getInt(0, 3)],
            false,
            $random->getInt(0, 2) === 0 ? 'past the beam' : '',
        );
    }
}
