<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\Fitting;
use FallBend\Core\Layout\Orientation;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Layout\TurnFinder;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * A bend is of a pattern that the rulebook takes for the way the water turns there: level to upright, upright to level,
 * level to level.
 */
final readonly class TurnPatternRule implements Rule
{
    public const ID = RuleId::TurnPattern;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($layout->fittings as $fitting) {
            if ($fitting->part instanceof Bend) {
                $finding = $this->judgeBend($fitting, $fitting->part, $layout, $rulebook);
                if ($finding !== null) {
                    $findings[] = $finding;
                }
            }
        }

        return $findings;
    }

    private function judgeBend(Fitting $fitting, Bend $bend, RunLayout $layout, Rulebook $rulebook): ?Finding
    {
        $orientation = Orientation::of($fitting->in, $fitting->out);
        $threshold = $rulebook->forTurn($bend->pattern, $orientation->value);
        $objection = TurnFinder::objection(
            $rulebook,
            $bend->pattern,
            $orientation,
            $layout->run->use,
            $bend->size,
            $layout->system,
        );
        if ($objection === 0 || $threshold === null) {
            return null;
        }
        $doubtful = $objection === 1;

        return new Finding(
            $doubtful ? RuleId::TurnPatternDoubtful : self::ID,
            $doubtful ? Severity::Warn : Severity::Stop,
            new Where(
                $fitting->leg,
                $layout->run->legs[$fitting->leg - 1]->id,
                tapeMm: $layout->legs[$fitting->leg - 1]->tapeMm,
            ),
            null,
            null,
            [
                'fitting' => $bend->name,
                'orientation' => str_replace('-', ' to ', $orientation->value),
                'only' => $threshold->verdict === 'fixture-drain-only' ? 'yes' : 'no',
                'up_to' => $threshold->upToSize ?? '',
            ],
            $threshold->provenance,
        );
    }
}
