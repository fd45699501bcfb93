<?php

declare(strict_types=1);

namespace FallBend\Core\Evaluation;

use FallBend\Core\CallOut\CallOutReader;
use FallBend\Core\CallOut\Phrase;
use FallBend\Core\CallOut\RunReader;
use FallBend\Core\CallOut\Unread;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\OwnNumbers;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Run;
use FallBend\Core\Job\SingleJoint;
use FallBend\Core\Job\StandingPipe;
use FallBend\Core\Layout\EndJoiner;
use FallBend\Core\Layout\JobSize;
use FallBend\Core\Layout\JointRegister;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Rules\Network\NetworkRuleSet;
use FallBend\Core\Rules\RuleSet;

/** The one evaluation of a job: everything that a screen shows as computed comes from here. */
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
     * Takes a job, and optionally what is being called out for one of its runs; gives the job with that read into it and all marks allotted,
     * and the evaluation of every run.
     *
     * @param array{run: string, text: string}|null $callOut with run `+` a whole new run
     * @param OwnNumbers $own what the crew set for itself
     * @return array{job: Job, evaluation: array<string, mixed>}
     *
     * @throws BadInput if the job is too large, or what is called out cannot be kept
     */
    public function evaluate(Job $job, ?array $callOut = null, OwnNumbers $own = new OwnNumbers): array
    {
        $phrases = [];
        if ($callOut !== null && $callOut['run'] === self::NEW_RUN) {
            $read = (new RunReader($job, $this->catalogue))->read($callOut['text']);
            $phrases = self::phrases($read['phrases']);
            $job = $read['run'] === null ? $job : $job->withRuns([...$job->runs, $read['run']]);
        }
        $run = $callOut === null ? null : $job->run($callOut['run']);
        if ($callOut !== null && $run !== null) {
            $reader = $this->reader($job, $run);
            $phrases = self::phrases($reader->read($callOut['text']));
            $job = $job->withRun($reader->apply($run, $callOut['text']));
        }
        $rulebook = $job->book($this->catalogue, $own);
        $catalogue = $job->catalogue($this->catalogue, $own);
        $joiner = $job->singles === [] ? null : new EndJoiner($catalogue);
        $assumption = $this->catalogue->assumption('drawn-fill');
        JobSize::check($job, $catalogue);
        $judgement = JobJudgement::of($job, $catalogue, $rulebook, $this->rules, $this->networkRules);
        $job = $judgement->layout->job;
        $reports = [];
        foreach ($judgement->layout->runs as $id => $run) {
            $reports[] = (new RunReport($job->units))->of($run, $judgement->findings($id));
        }

        return ['job' => $job, 'evaluation' => [
            'units' => $job->units->value,
            'rulebook' => ['id' => $rulebook->id, 'name' => $rulebook->name, 'style' => $rulebook->style],
            'drawn_fill' => $assumption->value,
            'saw_kerf' => (new Tape)->of($this->catalogue->assumption('saw-kerf')->value),
            'phrases' => $phrases,
            'runs' => $reports,
            'network' => (new NetworkReport($judgement->network, $rulebook))->toArray(),
            'singles' => $job->singles === [] ? [] : array_map(fn (SingleJoint $single): array => JointRegister::single($single, $job, $joiner ?? new EndJoiner($catalogue), $rulebook), $job->singles),
            'standing' => array_map(fn (StandingPipe $pipe): array => $this->standing($pipe, $catalogue), $job->standing),
        ]];
    }

    /** @return array<string, mixed> what the interface shows of a standing pipe beside what was entered */
    private function standing(StandingPipe $pipe, Catalogue $catalogue): array
    {
        $system = $pipe->system === null ? null : $catalogue->system($pipe->system);
        $row = $system?->pipe($pipe->size ?? '');

        return [
            'id' => $pipe->id,
            'known' => $system !== null,
            'said' => $system === null ? 'not known' : "{$system->short} {$pipe->size}",
            'letters' => $system->letters ?? '?',
            'material' => $system->material ?? 'unknown',
            'od_mm' => $pipe->outsideMm ?? $row?->outsideMm,
            'bore_mm' => $row?->boreMm,
            'source' => $row?->provenance->toArray(),
        ];
    }

    private function reader(Job $job, Run $run): CallOutReader
    {
        return new CallOutReader($job->units, $this->catalogue->system($run->system)->sizes());
    }

    /**
     * @param list<Phrase> $phrases
     * @return list<array<string, mixed>>
     */
    private static function phrases(array $phrases): array
    {
        return array_map(static fn (Phrase $phrase): array => [
            'text' => $phrase->text,
            'at' => $phrase->at,
            'unread' => array_map(static fn (Unread $unread): array => ['at' => $unread->at, 'length' => $unread->length, 'message' => $unread->message], $phrase->unread),
        ], $phrases);
    }
}
