<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;

/** One idea that a whole network is judged by. Pure, order-free, and asking nobody else. */
interface NetworkRule
{
    /** @return list<Finding> in the order of flow; each names its run */
    public function judge(Network $network, Rulebook $rulebook): array;
}
