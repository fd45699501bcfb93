<?php

declare(strict_types=1);

namespace FallBend\Core\Evaluation;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\Job;
use FallBend\Core\Layout\JobCompiler;
use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\NetworkBuilder;
use FallBend\Core\Rules\Network\NetworkRuleSet;
use FallBend\Core\Rules\RuleSet;
use FallBend\Core\Verdict\Finding;

/**
 * A job laid out, hung together and judged, before any of it is written for an answer. Given the judgement before an edit, what the edit does not touch is
 * taken over: runs that are laid out as they were keep their layout and their own findings. What runs do to each other is worked out anew.
 */
final readonly class JobJudgement
{
    /**
     * @param array<string, list<Finding>> $ofRuns what each run is found at by itself
     * @param array<string, list<Finding>> $between what it is found at among the others
     */
    private function __construct(public JobLayout $layout, public Network $network, private array $ofRuns, private array $between) {}

    /**
     * @param Catalogue $catalogue with the job's own numbers over it
     * @param ?self $before made with the same catalogue and rulebook; its network is moved to the new place, and is of no more use
     */
    public static function of(Job $job, Catalogue $catalogue, Rulebook $rulebook, RuleSet $rules, NetworkRuleSet $networkRules, ?self $before = null): self
    {
        // The pipes of a network point at each other. PHP would go through all of them again and again to see whether any is garbage, while none is:
        // it looks after the work is done, and what is no longer needed is taken apart by hand.
        $collects = gc_enabled();
        gc_disable();
        try {
            return self::made($job, $catalogue, $rulebook, $rules, $networkRules, $before);
        } finally {
            if ($collects) {
                gc_enable();
            }
        }
    }

    private static function made(Job $job, Catalogue $catalogue, Rulebook $rulebook, RuleSet $rules, NetworkRuleSet $networkRules, ?self $before): self
    {
        $layout = (new JobCompiler($catalogue, $rulebook, $job))->compile($before?->layout);
        $network = NetworkBuilder::of($layout, $catalogue, $rulebook, $before?->network);
        $ofRuns = [];
        foreach ($layout->runs as $id => $run) {
            $ofRuns[$id] = $before !== null && ($before->layout->runs[$id] ?? null) === $run ? $before->ofRuns[$id] : $rules->judge($run, $rulebook);
        }

        return new self($layout, $network, $ofRuns, $networkRules->judge($network, $rulebook));
    }

    /** @return list<Finding> of a run, the heaviest first, then in the order of flow */
    public function findings(string $run): array
    {
        return isset($this->between[$run]) ? RuleSet::sorted([...$this->ofRuns[$run], ...$this->between[$run]]) : $this->ofRuns[$run];
    }
}
