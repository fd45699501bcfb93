<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Network;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureKind;
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
        $group = $table->bathroomGroup($book);
        $segment = self::segment();
        $sum = 0.0;
        foreach ($fixtures as [$kind, $name]) {
            $fixture = FixtureKind::from($kind);
            $load = $table->load($fixture, $book);
            $segment->heads[] = new LoadedFixture($segment->up, new FixtureHead($fixture, group: $name), $kind, $load);
            $sum += $load->value ?? 0.0;
        }
        Loads::sum($segment, $group);
        self::assertSame(1, $segment->closets);
        self::assertTrue($segment->isLoadKnown);
        self::assertSame($isGroup ? $group?->value : $sum, $segment->load);
        self::assertTrue(! $isGroup || ($group->value ?? INF) < $sum, 'the group counts less than its parts');
    }

    public function testAFixtureOfNoTableLeavesTheLoadUnknown(): void
    {
        $segment = self::segment();
        $segment->heads[] = new LoadedFixture($segment->up, new FixtureHead(FixtureKind::CamperInlet), 'inlet', null);
        Loads::sum($segment, null);
        self::assertFalse($segment->isLoadKnown);
        self::assertSame([0.0, 0], [$segment->load, $segment->closets]);
    }

    private static function segment(): Segment
    {
        $node = static fn (int $i): Node => new Node($i, 'r1', 0.0, new Vec3(0.0, 0.0, 0.0), null, null);

        return new Segment(0, Fixtures::layout('north 40'), 0.0, 1000.0, [], false, $node(0), $node(1));
    }
}
