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

    /** @var list<DrainWay> those that a trap may be vented by which no air meets */
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
        $path = AirPath::of($arm, $this->network);

        return array_values(
            array_filter(
                $path === null
                    ? array_map(fn (DrainWay $way): ?Tried => $this->try($way, $arm), $this->drainWays)
                    : array_map(fn (VentWay $way): ?Tried => $this->try($way, $path), $this->ways),
            ),
        );
    }

    /** Gives the method that vents a trap; null where none of those that are judged does. */
    public function method(Arm $arm): ?VentMethod
    {
        $path = AirPath::of($arm, $this->network);
        foreach ($path === null ? $this->drainWays : $this->ways as $way) {
            $tried = $this->try($way, $path ?? $arm);
            if ($tried?->carries() === true) {
                return $tried->method;
            }
        }

        return null;
    }

    private function try(VentWay|DrainWay $way, AirPath|Arm $by): ?Tried
    {
        $row = $this->rulebook->threshold("venting.{$way->method()->value}");
        $missing = match (true) {
            $row === null || $row->value === 0.0 => null,
            $way instanceof VentWay => $by instanceof AirPath ? $way->missing($by) : null,
            default => $by instanceof Arm && $by->vent === null ? $way->missing($by) : null,
        };

        return $missing === null ? null : new Tried($way->method(), $missing, $row, $row->value !== null);
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
