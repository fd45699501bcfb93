<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;

/** One thing that a run is judged by. Pure, and independent of every other rule. */
interface Rule
{
    /** @return list<Finding> in the order of flow */
    public function judge(RunLayout $layout, Rulebook $rulebook): array;
}
