<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;

/**
 * Level pipe of one or two bathrooms that waste runs in and air comes down: all of it of their fixtures, on one storey,
 * with a dry vent behind another than a closet (IPC 912.1, IRC P3108.1, UPC 908.2).
 */
final readonly class LevelWetVent implements VentWay
{
    public function __construct(private Network $network, private Rulebook $rulebook) {}

    public function method(): VentMethod
    {
        return VentMethod::Wet;
    }

    public function missing(AirPath $path): ?array
    {
        $groups = $this->rulebook->limit('wet-vent.groups-most');
        if ($path->wet === [] || $path->isUpright() || $groups?->value === null) {
            return null;
        }

        return (new Bathrooms($this->network, $this->rulebook))->missing($path, $groups->value);
    }
}
