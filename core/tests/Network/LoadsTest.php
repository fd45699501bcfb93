<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Network;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureGroups;
use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\FixtureVariant;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\FixtureHead;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Loads;
use FallBend\Core\Network\Node;
use FallBend\Core\Network\Segment;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LoadsTest extends TestCase
{
    /**
     * @return iterable<string, array{list<array{string, string}>, string, bool}> fixtures with their bathrooms, the
     *     rulebook, and whether they count as a group
     */
    public static function bathrooms(): iterable
    {
        $whole = [['water-closet', 'a'], ['lavatory', 'a'], ['shower', 'a'], ['bath', 'a']];
        yield 'a bathroom with bath and shower' => [$whole, 'irc-2021', true];
        yield 'of no bathroom that was named' => [
            array_map(static fn (array $fixture): array => [$fixture[0], ''], $whole),
            'irc-2021',
            false,
        ];
        yield 'of two bathrooms' => [
            [['water-closet', 'a'], ['lavatory', 'b'], ['shower', 'a'], ['bath', 'b']],
            'irc-2021',
            false,
        ];
        yield 'without a basin' => [[['water-closet', 'a'], ['shower', 'a'], ['bath', 'a']], 'irc-2021', false];
        yield 'without bath or shower' => [
            [['water-closet', 'a'], ['lavatory', 'a'], ['bidet', 'a']],
            'irc-2021',
            false,
        ];
        yield 'a book that has no group' => [$whole, 'upc-2021', false];
    }

    /** @param list<array{string, string}> $fixtures */
    #[DataProvider('bathrooms')]
    public function testABathroomCountsAsOneWhereItIsWhole(array $fixtures, string $book, bool $isGroup): void
    {
        $table = Catalogue::shipped()->fixtures();
        $groups = $table->groups($book);
        $group = $groups->bathrooms[''] ?? null;
        $segment = self::segment();
        $sum = 0.0;
        foreach ($fixtures as [$kind, $name]) {
            $fixture = FixtureKind::from($kind);
            $load = $table->load($fixture, $book);
            $segment->heads[] = new LoadedFixture($segment->up, new FixtureHead($fixture, group: $name), $kind, $load);
            $sum += $load->value ?? 0.0;
        }
        Loads::sum($segment, $groups);
        self::assertSame(1, $segment->closets);
        self::assertTrue($segment->isLoadKnown);
        self::assertSame($isGroup ? $group : $sum, $segment->load);
        self::assertTrue(! $isGroup || ($group ?? INF) < $sum, 'the group counts less than its parts');
    }

    /** @return iterable<string, array{string, string, ?string, ?float, ?string}> */
    public static function variants(): iterable
    {
        yield 'a closet in public use' => ['ipc-2021', 'water-closet', 'public', 4.0, '3'];
        yield 'that flushes more' => ['ipc-2021', 'water-closet', 'public-large-flush', 6.0, '3'];
        yield 'in a place of assembly' => ['upc-2021', 'water-closet', 'assembly', 6.0, '3'];
        yield 'that flushes more there' => ['upc-2021', 'water-closet', 'assembly-large-flush', 8.0, '3'];
        yield 'at home, that flushes more' => ['irc-2021', 'water-closet', 'large-flush', 4.0, '3'];
        yield 'a flush valve' => ['npc-2020', 'water-closet', 'flush-valve', 6.0, '3'];
        yield 'a cistern of 9 litres' => ['adh-2015', 'water-closet', 'old-flush', 2.0, '110'];
        yield 'two heads are under 5.7 gal' => ['ipc-2021', 'shower', 'heads-2', 2.0, '1-1/2'];
        yield 'three heads are over it' => ['ipc-2021', 'shower', 'heads-3', 3.0, '2'];
        yield 'five heads are over 12.3' => ['ipc-2021', 'shower', 'heads-5', 5.0, '3'];
        yield 'a unit for a head more' => ['upc-2021', 'shower', 'heads-3', 4.0, '2'];
        yield 'four to six heads' => ['npc-2020', 'shower', 'heads-4', 6.0, '3'];
        yield 'a dwelling has no public closet' => ['irc-2021', 'water-closet', 'public', null, null];
        yield 'the usual one' => ['ipc-2021', 'water-closet', null, 3.0, '3'];
    }

    #[DataProvider('variants')]
    public function testWhatIsNotTheUsualOneOfItsKind(
        string $book,
        string $kind,
        ?string $variant,
        ?float $value,
        ?string $trap,
    ): void {
        $load = Catalogue::shipped()
            ->fixtures()
            ->load(FixtureKind::from($kind), $book, $variant === null ? null : FixtureVariant::from($variant));
        self::assertSame([$value, $trap], [$load?->value, $load?->trapSize]);
    }

    /** @return iterable<string, array{?string, ?string, float}> closet and shower of a whole bathroom, its load */
    public static function wholes(): iterable
    {
        yield 'the usual one' => [null, null, 5.0];
        yield 'a closet that flushes more' => ['large-flush', null, 6.0];
        yield 'a closet in public use is of no group' => ['public', null, 7.0];
        yield 'nor are many heads' => [null, 'heads-5', 9.0];
    }

    #[DataProvider('wholes')]
    public function testABathroomCountsByItsCloset(?string $closet, ?string $shower, float $load): void
    {
        $table = Catalogue::shipped()->fixtures();
        $segment = self::segment();
        $add = static function (FixtureKind $kind, ?string $named) use ($segment, $table): void {
            $variant = $named === null ? null : FixtureVariant::from($named);
            $head = new FixtureHead($kind, group: 'a', variant: $variant);
            $load = $table->load($kind, 'ipc-2021', $variant);
            $segment->heads[] = new LoadedFixture($segment->up, $head, $kind->value, $load);
        };
        $add(FixtureKind::WaterCloset, $closet);
        $add(FixtureKind::Lavatory, null);
        $add(FixtureKind::Shower, $shower);
        Loads::sum($segment, $table->groups('ipc-2021'));
        self::assertSame($load, $segment->load);
    }

    /** @return iterable<string, array{list<array{string, string}>, float}> fixtures by room, what they count */
    public static function rooms(): iterable
    {
        $bath = static fn (string $name): array => [['water-closet', $name], ['lavatory', $name], ['bath', $name]];
        $half = [['water-closet', 'h'], ['lavatory', 'h']];
        yield 'two bathrooms count 8 and not twice 5' => [[...$bath('a'), ...$bath('b')], 8.0];
        yield 'a bathroom and a half count 7' => [[...$bath('a'), ...$half], 7.0];
        yield 'three and a half count 11' => [[...$bath('a'), ...$bath('b'), ...$bath('c'), ...$half], 11.0];
        yield 'four are more than the table has: four times 5' => [
            [...$bath('a'), ...$bath('b'), ...$bath('c'), ...$bath('d')],
            20.0,
        ];
        yield 'a half bathroom counts 4, as its parts do' => [$half, 4.0];
        yield 'a kitchen counts 2, and a laundry 3' => [
            [['kitchen-sink', 'k'], ['dishwasher', 'k'], ['clothes-washer', 'l'], ['laundry-tub', 'l']],
            5.0,
        ];
        yield 'a sink alone is no kitchen' => [[['kitchen-sink', 'k']], 2.0];
        yield 'those of different rooms are none' => [[['kitchen-sink', 'k'], ['dishwasher', 'm']], 4.0];
        yield 'a second closet of one bathroom counts by itself' => [[...$bath('a'), ['water-closet', 'a']], 8.0];
        yield 'what is of no group of fixtures counts by itself' => [[...$bath('a'), ['kitchen-sink', 'a']], 7.0];
    }

    /** @param list<array{string, string}> $fixtures */
    #[DataProvider('rooms')]
    public function testRoomsCountTogetherAsTheIrcHasThem(array $fixtures, float $load): void
    {
        $table = Catalogue::shipped()->fixtures();
        $segment = self::segment();
        foreach ($fixtures as [$kind, $name]) {
            $fixture = FixtureKind::from($kind);
            $of = $table->load($fixture, 'irc-2021');
            $segment->heads[] = new LoadedFixture($segment->up, new FixtureHead($fixture, group: $name), $kind, $of);
        }
        Loads::sum($segment, $table->groups('irc-2021'));
        self::assertSame($load, $segment->load);
    }

    public function testAFixtureOfNoTableLeavesTheLoadUnknown(): void
    {
        $segment = self::segment();
        $segment->heads[] = new LoadedFixture($segment->up, new FixtureHead(FixtureKind::CamperInlet), 'inlet', null);
        Loads::sum($segment, new FixtureGroups);
        self::assertFalse($segment->isLoadKnown);
        self::assertSame([0.0, 0], [$segment->load, $segment->closets]);
    }

    private static function segment(): Segment
    {
        $node = static fn (int $i): Node => new Node($i, 'r1', 0.0, new Vec3(0.0, 0.0, 0.0), null, null);

        return new Segment(0, Fixtures::layout('north 40'), 0.0, 1000.0, [], false, $node(0), $node(1));
    }
}
