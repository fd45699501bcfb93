<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Starts;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Measure\Units;
use FallBend\Core\Starts\FieldKind;
use FallBend\Core\Starts\HowTo;
use FallBend\Core\Starts\HowTos;
use FallBend\Core\Starts\Starts;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * What is done beside runs of pipe: its lengths, its parts, and its steps with their cautions.
 *
 * @phpstan-import-type HowToAnswer from HowTo
 */
final class HowToTest extends TestCase
{
    /** @return iterable<string, array{HowTo}> */
    public static function all(): iterable
    {
        foreach (HowTos::shipped() as $one) {
            yield $one->id => [$one];
        }
    }

    #[DataProvider('all')]
    public function testEveryAnswerHasStepsAndSpeaksTheUnitsOfTheJob(HowTo $howTo): void
    {
        self::assertEquals($howTo, HowTos::named($howTo->id));
        foreach (Units::cases() as $units) {
            foreach (self::choices($howTo, $units) as $values) {
                $answer = $howTo->answer($values, self::job($units), Catalogue::shipped());
                self::assertSame([], $answer['problems']);
                self::assertGreaterThanOrEqual(2, count($answer['steps']), json_encode($values) ?: '');
                self::assertNotSame([], $answer['parts']);
                $written = $howTo->toArray($units, Catalogue::shipped());
                $texts = (string) json_encode([$answer, $written], JSON_UNESCAPED_UNICODE);
                self::assertDoesNotMatchRegularExpression('/[{|]\w+\|/', $texts, 'all is filled');
                $other = $units === Units::Inch ? '/\d (?:mm|m)\b/' : '/\d (?:in|ft)\b/';
                self::assertDoesNotMatchRegularExpression($other, $texts);
            }
        }
    }

    #[DataProvider('all')]
    public function testItBelongsToStartsThatAreThereAndSaysWhereItsNumbersComeFrom(HowTo $howTo): void
    {
        foreach ($howTo->starts as $start) {
            self::assertNotNull(Starts::named($start), $start);
        }
        foreach ($howTo->fields as $field) {
            self::assertFalse($field->isUnsure && $field->source === '', $field->id);
        }
    }

    public function testTheTubesOfATubAreCutToTheTub(): void
    {
        // Upright: 16 less 1-1/2 in the elbow less 1-1/4 in the tee; level: 7-1/2 less 1-3/4 less 1-1/4;
        // tailpiece: 8 less 1-1/4 in the tee, and 1-1/4 into the trap.
        self::assertSame(['13 1/4"', '4 1/2"', '8"'], self::lengths('tub-waste', []));
        // The takes of the set that is there go before what is usual.
        self::assertSame(['13"', '4"', '8"'], self::lengths('tub-waste', ['tee' => '1-1/2', 'shoe' => '2']));
        // The drop is measured later: nothing is invented.
        $answer = self::answer('tub-waste', ['drop' => '']);
        self::assertSame(['Upright tube', 'Level tube'], array_column($answer['lengths'], 'label'));
        self::assertSame(['Tee to the trap'], $answer['later']);
    }

    public function testTheSealGoesByWhatTheTubIsOf(): void
    {
        $cautions = static fn (string $tub): string => implode(
            ' ',
            array_column(self::answer('tub-waste', ['tub' => $tub])['steps'], 'caution'),
        );
        self::assertStringContainsString('Putty eats into acrylic', $cautions('acrylic'));
        self::assertStringNotContainsString('Putty eats', $cautions('steel'));
        self::assertContains('plumber’s putty', self::answer('tub-waste', ['tub' => 'steel'])['parts']);
    }

    public function testATrenchIsDugByPipeBedAndCover(): void
    {
        // Width: 4-1/2 and twice 6; depth: 30 and 4-1/2 and 4.
        self::assertSame(['16 1/2"', "3' 2 1/2\"", '4 1/2"'], self::lengths('bedding', []));
        self::assertSame(['16 1/2"', "3' 4 1/2\"", '4 1/2"'], self::lengths('bedding', ['bed' => '6']));
        self::assertSame(['418 mm', '978 mm', '114 mm'], self::lengths('bedding', [], Units::Millimetre));
    }

    public function testADamagedLengthIsCutOutWithSoundPipeAtBothSides(): void
    {
        // 8 and twice 6; with twice 3 for the couplings.
        self::assertSame(['20"', "2' 2\""], self::lengths('backed-up-line', []));
        $full = array_column(self::answer('backed-up-line', ['state' => 'backed'])['steps'], 'do');
        self::assertContains('Let it down slowly', $full);
        self::assertNotContains('Let it down slowly', array_column(self::answer('backed-up-line', [])['steps'], 'do'));
    }

    public function testAStandpipeEndsBelowTheWeir(): void
    {
        self::assertSame(["2' 8\"", "2' 10\"", '6"'], self::lengths('laundry-box', []));
    }

    public function testWhatCannotBeIsRefusedAtItsField(): void
    {
        $problems = self::answer('tub-waste', ['elbow' => '3', 'height' => '2', 'reach' => 'a hand'])['problems'];
        self::assertSame(['height', 'reach'], array_keys($problems));
        self::assertStringStartsWith('At least', $problems['height']);
        self::assertSame([], self::answer('tub-waste', ['height' => '2'])['lengths']);
        $below = self::answer('laundry-box', ['box' => '24', 'weir' => '23-1/2'])['problems'];
        self::assertSame([], $below);
        self::assertSame(
            ['weir' => 'It has to be less than “Outlet of the box above the floor”.'],
            self::answer('laundry-box', ['box' => '22', 'weir' => '23'])['problems'],
        );
        self::assertNull(HowTos::named('../starts/tub'));
    }

    /**
     * Every combination of what can be chosen.
     *
     * @return list<array<string, string>>
     */
    private static function choices(HowTo $howTo, Units $units): array
    {
        $all = [[]];
        foreach ($howTo->toArray($units, Catalogue::shipped())['fields'] as $field) {
            if ($field['kind'] === FieldKind::Choice->value) {
                $next = [];
                foreach ($field['choices'] as $choice) {
                    foreach ($all as $values) {
                        $next[] = $values + [$field['id'] => $choice['key']];
                    }
                }
                $all = $next;
            }
        }

        return $all;
    }

    /**
     * @param array<string, string> $values
     * @return list<string>
     */
    private static function lengths(string $howTo, array $values, Units $units = Units::Inch): array
    {
        return array_column(self::answer($howTo, $values, $units)['lengths'], 'length');
    }

    /**
     * @param array<string, string> $values
     * @return HowToAnswer
     */
    private static function answer(string $howTo, array $values, Units $units = Units::Inch): array
    {
        $found = HowTos::named($howTo);
        self::assertNotNull($found);

        return $found->answer($values, self::job($units), Catalogue::shipped());
    }

    private static function job(Units $units): Job
    {
        return (new JobFile(Catalogue::shipped()))->read([
            'format' => JobFile::FORMAT,
            'version' => JobFile::VERSION,
            'name' => 'How to',
            'units' => $units->value,
            'rulebook' => $units === Units::Inch ? 'ipc-2021' : 'adh-2015',
            'runs' => [],
        ]);
    }
}
