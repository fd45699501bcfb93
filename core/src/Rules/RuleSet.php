<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\RunUse;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;

/** Every rule that a run is judged by; what runs do to each other is judged by `NetworkRuleSet`. */
final readonly class RuleSet
{
    /** Rules of drains that say nothing of a vent. */
    private const NOT_OF_VENTS = [
        FallBackRule::class,
        FallNoneRule::class,
        FallLeastRule::class,
        FallMostRule::class,
        SizeReducedRule::class,
        TurnPatternRule::class,
        RunLevelRule::class,
    ];

    /** @var list<Rule> */
    private array $rules;

    /** @var list<Rule> */
    private array $ofVents;

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
            new ReckonedLengthRule,
            new CementWeatherRule($catalogue),
            new DoubtfulNumberRule,
        ];
        $this->ofVents = array_values(
            array_filter(
                $this->rules,
                static fn (Rule $rule): bool => ! in_array($rule::class, self::NOT_OF_VENTS, true),
            ),
        );
    }

    /** @return list<Finding> the heaviest first, then in the order of flow */
    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        return self::sorted(
            array_merge(
                ...array_map(
                    static fn (Rule $rule): array => $rule->judge($layout, $rulebook),
                    $layout->run->use === RunUse::Vent ? $this->ofVents : $this->rules,
                ),
            ),
        );
    }

    /**
     * @param list<Finding> $findings
     * @return list<Finding> the heaviest first, then in the order of flow
     */
    public static function sorted(array $findings): array
    {
        usort(
            $findings,
            static fn (Finding $a, Finding $b): int => [$a->severity->rank(), $a->where->leg, $a->where->tapeMm] <=> [
                $b->severity->rank(),
                $b->where->leg,
                $b->where->tapeMm,
            ],
        );

        return $findings;
    }
}
