<?php

declare(strict_types=1);

namespace FallBend\Core\Evaluation;

use FallBend\Core\CallOut\CallOutReader;
use FallBend\Core\CallOut\Phrase;
use FallBend\Core\CallOut\Unread;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Run;
use FallBend\Core\Layout\RunCompiler;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Rules\RuleSet;

/** The one evaluation of a job: everything that a screen shows as computed comes from here. */
final readonly class JobEvaluator
{
    private RunCompiler $compiler;

    private RuleSet $rules;

    public function __construct(private Catalogue $catalogue)
    {
        $this->compiler = new RunCompiler($catalogue);
        $this->rules = new RuleSet($catalogue);
    }

    /**
     * Takes a job, and optionally what is being called out for one of its runs; gives the job with that read into it and all marks allotted,
     * and the evaluation of every run.
     *
     * @param array{run: string, text: string}|null $callOut
     * @return array{job: Job, evaluation: array<string, mixed>}
     */
    public function evaluate(Job $job, ?array $callOut = null): array
    {
        $phrases = [];
        $run = $callOut === null ? null : $job->run($callOut['run']);
        if ($callOut !== null && $run !== null) {
            $reader = $this->reader($job, $run);
            $phrases = self::phrases($reader->read($callOut['text']));
            $job = $job->withRun($reader->apply($run, $callOut['text']));
        }
        $rulebook = $this->catalogue->rulebook($job->rulebook)->with($job->rulebookOverrides);
        $assumption = $this->catalogue->assumption('drawn-fill');
        $reports = [];
        foreach ($job->runs as $run) {
            $layout = $this->layOut($run, $job, $rulebook);
            $job = $job->withRun($layout->run);
            $reports[] = (new RunReport($job->units))->of($layout, $this->rules->judge($layout, $rulebook));
        }

        return ['job' => $job, 'evaluation' => [
            'units' => $job->units->value,
            'rulebook' => ['id' => $rulebook->id, 'name' => $rulebook->name, 'style' => $rulebook->style],
            'drawn_fill' => $assumption->value,
            'saw_kerf' => (new Tape)->of($this->catalogue->assumption('saw-kerf')->value),
            'phrases' => $phrases,
            'runs' => $reports,
        ]];
    }

    /** Lays out one run of a job, without the report. */
    public function layOut(Run $run, Job $job, Rulebook $rulebook): RunLayout
    {
        return $this->compiler->compile($run, $this->system($run, $job), $rulebook);
    }

    private function reader(Job $job, Run $run): CallOutReader
    {
        return new CallOutReader($job->units, array_map(strval(...), array_keys($this->system($run, $job)->pipes)));
    }

    private function system(Run $run, Job $job): PipeSystem
    {
        $system = $this->catalogue->system($run->system);
        $mine = array_values(array_filter($job->catalogueOverrides, static fn ($override): bool => $override->system === $run->system));

        return $mine === [] ? $system : $system->with($mine);
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
