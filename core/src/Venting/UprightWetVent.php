<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;

/** Upright pipe of one or two bathrooms, closets lowest (IPC 912.1.1, IRC P3108.4). */
final readonly class UprightWetVent implements VentWay
{
    public function __construct(private Network $network, private Rulebook $rulebook) {}

    public function method(): VentMethod
    {
        return VentMethod::VerticalWet;
    }

    public function missing(AirPath $path): ?array
    {
        $groups = $this->rulebook->limit('vertical-wet.groups-most');
        if ($path->wet === [] || ! $path->isUpright() || $groups?->value === null) {
            return null;
        }
        $missing = (new Bathrooms($this->network, $this->rulebook))->missing($path, $groups->value);
        $isCloset = $path->arm->head->isCloset();
        foreach ($path->others as $head) {
            $isAbove = $path->entryMm($head) > $path->entryMm($path->arm->head) + Tolerance::TAPE_MM;
            if ($head->isCloset() && $isAbove && ! $isCloset) {
                $missing[] = Shortfall::ClosetAbove;
            }
        }

        return array_values(array_unique($missing, SORT_REGULAR));
    }
}
