<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** A slip joint stays within reach: it is made to be opened, and it will weep one day. */
final readonly class SlipHiddenRule implements NetworkRule
{
    public const ID = RuleId::SlipHidden;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->layout->runs as $id => $layout) {
            if ($layout->run->place->access !== 'concealed') {
                continue;
            }
            $isSlip =
                $layout->run->outlet->kind === RunEndKind::TrapAdapter ||
                in_array(
                    'slip-joint',
                    [$layout->site->outlet?->offer?->method->value, $layout->site->tieIn?->offer?->method->value],
                    true,
                );
            if ($isSlip) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->where($id, 0.0),
                    params: ['what' => $layout->run->outlet->what],
                    source: $rulebook->source('joint.slip.panel'),
                );
            }
        }

        return $findings;
    }
}
