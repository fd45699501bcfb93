<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Network;

/** What wet vents of bathrooms have in common, level or upright. */
final readonly class Bathrooms
{
    public function __construct(private Network $network, private Rulebook $rulebook) {}

    /** @return list<Shortfall> */
    public function missing(AirPath $path, float $groupsMost): array
    {
        $heads = [$path->arm->head, ...$path->others];
        $isForeign = static fn (LoadedFixture $head): bool => $head->fixture->group === '' ||
            ! $head->fixture->kind->isOfBathroom();
        $groups = array_unique(array_map(static fn (LoadedFixture $head): string => $head->fixture->group, $heads));
        $upstream = $this->rulebook->limit('wet-vent.upstream-most')->value ?? INF;
        $isLast = $this->rulebook->allows('wet-vent.closet-last');

        return array_values(
            array_filter([
                array_filter($heads, $isForeign) === [] ? null : Shortfall::NotOfBathroom,
                count($groups) > $groupsMost ? Shortfall::Groups : null,
                count($path->arm->last()->heads ?? []) > $upstream ? Shortfall::Upstream : null,
                $path->isOnOneStorey($this->rulebook->number('storey.height')) ? null : Shortfall::Storey,
                $isLast && ! $path->arm->head->isCloset() && ($path->arm->by->closets ?? 0) > 0
                    ? Shortfall::ClosetAbove
                    : null,
                $this->isDryBehindAnother($path) ? null : Shortfall::VentPlace,
            ]),
        );
    }

    /** Whether the dry vent rises behind a lavatory, bidet, shower or bath, and not behind a closet. */
    private function isDryBehindAnother(AirPath $path): bool
    {
        $first = array_filter(
            $path->others,
            fn (LoadedFixture $head): bool => $this->network->arm($head)?->isWetVented() === false,
        );

        return $first !== [] && array_filter($first, static fn (LoadedFixture $head): bool => $head->isCloset()) === [];
    }
}
