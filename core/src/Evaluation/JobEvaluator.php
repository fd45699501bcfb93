<?php

declare(strict_types=1);

namespace FallBend\Core\Evaluation;

use FallBend\Core\CallOut\CallOutReader;
use FallBend\Core\CallOut\Phrase;
use FallBend\Core\CallOut\RunReader;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\OwnNumbers;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\Job;
use FallBend\Core\Layout\JobSize;
use FallBend\Core\Rules\Network\NetworkRuleSet;
use FallBend\Core\Rules\RuleSet;

/** The one evaluation of a job: everything that a screen, a list or a file shows as computed comes from here. */
final readonly class JobEvaluator
{
    /** What a call-out names as its run where it says a new one. */
    public const NEW_RUN = '+';

    private RuleSet $rules;

    private NetworkRuleSet $networkRules;

    public function __construct(private Catalogue $catalogue)
    {
        $this->rules = new RuleSet($catalogue);
        $this->networkRules = new NetworkRuleSet;
    }

    /**
     * Takes a job, and optionally what is being called out for one of its runs, which is read into it.
     *
     * @param array{run: string, text: string}|null $callOut with run `+` a whole new run
     * @param OwnNumbers $own what the crew set for itself
     * @param ?Effort $effort ends the searches that the job is asked for when time or memory is over
     *
     * @throws BadInput if the job is too large, or what is called out cannot be kept
     */
    public function evaluate(
        Job $job,
        ?array $callOut = null,
        OwnNumbers $own = new OwnNumbers,
        ?Effort $effort = null,
    ): EvaluatedJob {
        [$job, $phrases] = $callOut === null ? [$job, []] : $this->readInto($job, $callOut['run'], $callOut['text']);
        $job = $job->figured();
        $catalogue = $job->catalogue($this->catalogue, $own);
        JobSize::check($job, $catalogue);
        $book = $job->book($this->catalogue, $own);

        return new EvaluatedJob(
            $job,
            $catalogue,
            $book,
            $this->rules,
            $this->networkRules,
            $effort ?? Effort::unlimited(),
            $phrases,
        );
    }

    /**
     * @return array{Job, list<Phrase>}
     *
     * @throws BadInput
     */
    private function readInto(Job $job, string $id, string $text): array
    {
        if ($id === self::NEW_RUN) {
            $read = (new RunReader($job, $this->catalogue))->read($text);

            return [$read['run'] === null ? $job : $job->withRuns([...$job->runs, $read['run']]), $read['phrases']];
        }
        $run = $job->run($id);
        if ($run === null) {
            return [$job, []];
        }
        $reader = new CallOutReader($job->units, $this->catalogue->system($run->system)->sizes());

        $phrases = $reader->read($text);

        return [$job->withRun(CallOutReader::put($run, $phrases)), $phrases];
    }
}
