<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;

/**
 * Tries every method of venting that a book has against a trap. What a book has is said by its rows `venting.*`: 1 it
 * takes the method, 0 it does not, none: it does, and whether its conditions hold is not judged here.
 */
final readonly class Vents
{
    /** @var list<VentWay> in the order in which they are named: the plainest first */
    private array $ways;

    /** @var list<DrainWay> those that need no pipe which brings air */
    private array $drainWays;

    public function __construct(private Network $network, private Rulebook $rulebook)
    {
        $this->ways = [
            new IndividualVent,
            new CommonVent($rulebook),
            new UprightWetVent($network, $rulebook),
            new SmallUprightWetVent($rulebook),
            new LevelWetVent($network, $rulebook),
            new TableWetVent($rulebook),
            new CircuitVent($network, $rulebook),
            new WasteStackVent($rulebook),
            new SingleStack($network, $rulebook),
            new IslandVent($network),
            new CombinationDrain($network, $rulebook),
            new DischargeStack($rulebook),
        ];
        $this->drainWays = [new StubStack($network, $rulebook), new UnventedFloorDrain($rulebook)];
    }

    /** @return list<Tried> every method of the book whose shape the pipe has */
    public function tried(Arm $arm): array
    {
        $tried = [];
        foreach ($this->held($arm) as [$method, $missing]) {
            $tried[] = Tried::of($method, $this->rulebook, $missing);
        }

        return array_values(array_filter($tried));
    }

    /** Gives the method that vents a trap; null where none of those that are judged does. */
    public function method(Arm $arm): ?VentMethod
    {
        foreach ($this->held($arm) as [$method, $missing]) {
            if (Tried::of($method, $this->rulebook, $missing)?->carries() === true) {
                return $method;
            }
        }

        return null;
    }

    /**
     * Gives each way with what holds it against a trap.
     *
     * @return iterable<array{VentMethod, callable(): (list<Shortfall>|null)}>
     */
    private function held(Arm $arm): iterable
    {
        $path = AirPath::of($arm, $this->network);
        if ($path !== null) {
            foreach ($this->ways as $way) {
                yield [$way->method(), static fn (): ?array => $way->missing($path)];
            }
        }
        foreach (self::isDry($arm) ? [] : $this->drainWays as $way) {
            yield [$way->method(), static fn (): ?array => $way->missing($arm)];
        }
    }

    /** Whether it needs no way without air: a dry vent meets it, or the open air over a gully does. */
    private static function isDry(Arm $arm): bool
    {
        return $arm->vent !== null && ! $arm->isWetVented();
    }

    /**
     * Gives the method that vents a trap; null where none does.
     *
     * @param list<Tried> $tried
     */
    public static function carrying(array $tried): ?Tried
    {
        foreach ($tried as $one) {
            if ($one->carries()) {
                return $one;
            }
        }

        return null;
    }

    /**
     * Gives a method that may vent a trap: it is not judged here, or something of it is not known; null: there is none.
     *
     * @param list<Tried> $tried
     */
    public static function notJudged(array $tried): ?Tried
    {
        foreach ($tried as $one) {
            if ($one->isOpen()) {
                return $one;
            }
        }

        return null;
    }

    /**
     * Gives the method that comes nearest: the one of which least is missing.
     *
     * @param list<Tried> $tried
     */
    public static function nearest(array $tried): ?Tried
    {
        $nearest = null;
        foreach ($tried as $one) {
            if ($nearest === null || count($one->missing) < count($nearest->missing)) {
                $nearest = $one;
            }
        }

        return $nearest;
    }
}
