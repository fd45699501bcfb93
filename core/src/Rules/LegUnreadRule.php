<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** A leg that was not understood stops the run there: what comes after it has no place yet. */
final readonly class LegUnreadRule implements Rule
{
    public const ID = RuleId::LegUnread;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        foreach ($layout->run->legs as $i => $leg) {
            if ($leg->unread !== null) {
                $waiting = count($layout->run->legs) - $i - 1;

                return [
                    new Finding(
                        self::ID,
                        Severity::Stop,
                        new Where($i + 1, $leg->id, tapeMm: $layout->tapeMm),
                        params: ['text' => mb_strimwidth($leg->unread, 0, 60, '…'), 'waiting' => $waiting],
                    ),
                ];
            }
        }

        return [];
    }
}
