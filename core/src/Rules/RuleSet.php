<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\RunLayout;

/** Every rule that a run is judged by. */
final readonly class RuleSet
{
    /** @var list<Rule> */
    private array $rules;

    public function __construct(Catalogue $catalogue)
    {
        $this->rules = [
            new LegUnreadRule,
            new AdapterMissingRule,
            new TurnImpossibleRule,
            new LegImpossibleRule,
            new PieceTooShortRule,
            new CloseLengthRule($catalogue),
            new JointStrainRule($catalogue),
            new FallBackRule,
            new FallNoneRule,
            new FallLeastRule,
            new FallMostRule,
            new SizeReducedRule,
            new TurnPatternRule,
            new RunLevelRule,
            new EndJointRule,
            new UnmeasuredRule,
            new CementWeatherRule($catalogue),
            new DoubtfulNumberRule,
        ];
    }

    /** @return list<Finding> the heaviest first, then in the order of flow */
    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $findings = array_merge(...array_map(static fn (Rule $rule): array => $rule->judge($layout, $rulebook), $this->rules));
        usort($findings, static fn (Finding $a, Finding $b): int => [$a->severity->rank(), $a->where->leg, $a->where->tapeMm] <=> [$b->severity->rank(), $b->where->leg, $b->where->tapeMm]);

        return $findings;
    }
}
