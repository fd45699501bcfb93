<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cases;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Joining\EndKind;
use FallBend\Core\Joining\JointDecision;
use FallBend\Core\Joining\PipeEnd;
use FallBend\Core\Joining\Place;
use PHPUnit\Framework\TestCase;

/** Every plain end of a drain on every end of its name in its country has a way; the few that have none say why. */
final class EveryPairTest extends TestCase
{
    /** Names of one size of UK iron or clay and of plastic. */
    private const ALIKE = ['70' => '82', '100' => '110', '150' => '160'];

    /** Ends that a plain end is put on. */
    private const MET = ['plain', 'hub', 'bell', 'solvent-socket', 'ring-socket', 'female-thread'];

    private static ?JointDecision $decision = null;

    public function testNoPairThatOccursIsLeftWithoutAWay(): void
    {
        $file = json_decode((string) file_get_contents(__DIR__.'/no-way.json'), true, 8, JSON_THROW_ON_ERROR);
        $used = [];
        [$pairs, $none] = [0, []];
        foreach (self::pairs() as [$a, $b]) {
            $pairs++;
            if (self::isJoined($a, $b)) {
                continue;
            }
            $one = "{$a->system->key} {$a->pipe->size}";
            $other = "{$b->system->key} {$b->pipe->size} {$b->kind->value}";
            $isSaid = false;
            foreach ($file['rows'] as $n => $row) {
                if (
                    preg_match("~^({$row['a']})( |\$)~", $one) === 1 &&
                    preg_match("~^({$row['b']})( |\$)~", $other) === 1
                ) {
                    [$used[$n], $isSaid] = [true, true];
                }
            }
            if (! $isSaid) {
                $none[] = "{$one} | {$other}";
            }
        }
        self::assertGreaterThan(1_300, $pairs);
        self::assertSame([], $none);
        self::assertCount(count($file['rows']), $used, 'a reason that is not needed any more');
    }

    /** @return iterable<array{PipeEnd, PipeEnd}> */
    private static function pairs(): iterable
    {
        $catalogue = Catalogue::shipped();
        $systems = array_filter(
            array_map($catalogue->system(...), $catalogue->systemKeys()),
            static fn (PipeSystem $system): bool => $system->isDrain && in_array('plain', $system->ends, true),
        );
        foreach ($systems as $one) {
            foreach ($systems as $other) {
                if ($one->region === $other->region) {
                    yield from self::ofSystems($one, $other);
                }
            }
        }
    }

    /** @return iterable<array{PipeEnd, PipeEnd}> */
    private static function ofSystems(PipeSystem $one, PipeSystem $other): iterable
    {
        foreach ($one->sizes() as $size) {
            foreach ($other->sizes() as $met) {
                if ($size !== $met && (self::ALIKE[$size] ?? '') !== $met && (self::ALIKE[$met] ?? '') !== $size) {
                    continue;
                }
                foreach (array_intersect($other->ends, self::MET) as $kind) {
                    yield [
                        PipeEnd::of($one, $size, EndKind::Plain),
                        PipeEnd::of($other, $met, EndKind::from($kind)),
                    ];
                }
            }
        }
    }

    /** Above ground or in it. */
    private static function isJoined(PipeEnd $a, PipeEnd $b): bool
    {
        self::$decision ??= new JointDecision(Catalogue::shipped());
        foreach (['above', 'buried'] as $ground) {
            $place = new Place(ground: $ground);
            $book = Catalogue::shipped()->rulebook($a->system->region === 'us' ? 'upc-2021' : 'adh-2015');
            if (self::$decision->between($a, $b, $place, $book)->offers !== []) {
                return true;
            }
        }

        return false;
    }
}
