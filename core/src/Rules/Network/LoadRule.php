<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Sizing;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** Every pipe is large enough for what discharges into it, as the rulebook counts. */
final readonly class LoadRule implements NetworkRule
{
    public const ID = RuleId::SizeLoad;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $sizing = new Sizing($network, $rulebook);
        $findings = [];
        foreach ($network->segments as $segment) {
            if (
                ! $segment->isWet ||
                ! $segment->isLoadKnown ||
                $segment->load <= 0 ||
                (count($segment->heads) < 2 && $network->in($segment->up) === [])
            ) {
                continue;
            }
            foreach ($sizing->checks($segment) as $check) {
                if ($check->mostLoad === null) {
                    $findings[] = new Finding(
                        RuleId::SizeLoadNotKnown,
                        Severity::Unknown,
                        $network->whereOf($segment),
                        $segment->load,
                        null,
                        ['size' => $check->size, 'book' => $rulebook->name, 'where' => $check->place],
                    );
                } elseif (! $check->carries($segment->load)) {
                    $proposed = $sizing->proposed($segment, $check);
                    $findings[] = new Finding(
                        self::ID,
                        Severity::Stop,
                        $network->whereOf($segment),
                        $segment->load,
                        $check->mostLoad,
                        [
                            'load' => $sizing->loadInWords($segment->load),
                            'most' => $sizing->loadInWords($check->mostLoad),
                            'size' => $check->size,
                            'where' => $check->place,
                        ] + ($proposed === null ? [] : ['proposed' => $proposed]),
                        $check->source,
                    );
                }
            }
        }

        return $findings;
    }
}
