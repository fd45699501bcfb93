<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;

/** Every rule that a whole network is judged by. */
final readonly class NetworkRuleSet
{
    /** @var list<NetworkRule> */
    private array $rules;

    public function __construct()
    {
        $this->rules = [
            new LoopRule,
            new MissRule,
            new HeadUnknownRule,
            new BranchImpossibleRule,
            new BranchPatternRule,
            new CrossRule,
            new BranchOppositeRule,
            new SizeReducedIntoRule,
            new LoadRule,
            new StackIntervalRule,
            new ClosetSizeRule,
            new ClosetCountRule,
            new TrapSizeRule,
            new TrapKindRule,
            new TrapDoubledRule,
            new TrapSealRule,
            new TailpieceRule,
            new StandpipeRule,
            new ArmLongRule,
            new ArmShortRule,
            new ArmFallRule,
            new ArmGradientRule,
            new ArmTurnRule,
            new VentMissingRule,
            new VentByStackRule,
            new VentSharedRule,
            new WetVentLoadRule,
            new VentMadeWetRule,
            new VentSizeRule,
            new VentRiseRule,
            new VentTakeoffRule,
            new VentSagRule,
            new VentTerminalRule,
            new FrostRule,
            new StackVentRule,
            new VentLevelRule,
            new VentAreaRule,
            new VentFarRule,
            new TallStackRule,
            new ValveRule,
            new OpenVentRule,
            new CleanoutTurnRule,
            new CleanoutSpacingRule,
            new CleanoutBaseRule,
            new StackBaseRule,
            new StackOffsetRule,
            new SudsRule,
            new GuardRule,
            new FallByFlowRule,
            new DeadEndRule,
            new JoistHoleRule,
            new JoistNotchRule,
            new StudHoleRule,
            new ShieldPlateRule,
            new TimberUnjudgedRule,
            new PenetrationRule,
            new ColdRule,
            new HotRule,
            new ClearanceRule,
            new SlipHiddenRule,
        ];
    }

    /** @return array<string, list<Finding>> by id of the run that they speak of */
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($this->rules as $rule) {
            array_push($findings, ...$rule->judge($network, $rulebook));
        }
        $byRun = [];
        foreach (Asked::once($findings) as $finding) {
            $byRun[$finding->where->run ?? ''][] = $finding;
        }

        return $byRun;
    }
}
