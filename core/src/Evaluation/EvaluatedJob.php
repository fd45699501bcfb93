<?php

declare(strict_types=1);

namespace FallBend\Core\Evaluation;

use FallBend\Core\Buying\Hours;
use FallBend\Core\Buying\Materials;
use FallBend\Core\CallOut\Phrase;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Cutting\CutTicket;
use FallBend\Core\Cutting\JobCutting;
use FallBend\Core\Cutting\RunToCut;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Hanging\RunHanging;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\Job;
use FallBend\Core\Layout\EndJoiner;
use FallBend\Core\Layout\JobCompiler;
use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\NetworkBuilder;
use FallBend\Core\Recording\JobRecord;
use FallBend\Core\Rules\Network\NetworkRuleSet;
use FallBend\Core\Rules\Network\ShieldPlateRule;
use FallBend\Core\Rules\RuleSet;
use FallBend\Core\Sequence\RunDay;
use FallBend\Core\Site\SiteLog;
use FallBend\Core\Testing\JobTesting;
use FallBend\Core\Verdict\Finding;

/**
 * A job with all that follows from it: how its runs lie, how they hang together, what they are found at, where they are
 * hung, what
 * is cut and bought. Each is worked out when it is first asked for, and once.
 */
final class EvaluatedJob
{
    private ?JobLayout $layout = null;

    private ?Network $network = null;

    /** @var array<string, list<Finding>>|null what runs do to each other, by run */
    private ?array $between = null;

    /** @var array<string, list<Finding>> by run, the heaviest first */
    private array $findings = [];

    /** @var array<string, RunHanging> by run */
    private array $hanging = [];

    /** @var array<string, RunToCut>|null by id of run */
    private ?array $toCut = null;

    private ?JobCutting $cutting = null;

    private ?EndJoiner $joiner = null;

    /**
     * @param Job $said as it was said; `job` gives it with its marks
     * @param Catalogue $catalogue with the crew's numbers and the job's own over it
     * @param Rulebook $book with the crew's thresholds and the job's own in it
     * @param list<Phrase> $phrases of what was called out, as they were read
     * @param Effort $effort ends the searches in it when time or memory is over
     */
    public function __construct(
        public readonly Job $said,
        public readonly Catalogue $catalogue,
        public readonly Rulebook $book,
        private readonly RuleSet $rules,
        private readonly NetworkRuleSet $networkRules,
        public readonly Effort $effort,
        public readonly array $phrases = [],
    ) {}

    /** Gives the job, with what was called out read into it and all marks allotted. */
    public function job(): Job
    {
        return $this->layout()->job;
    }

    /** Gives how the runs lie. */
    public function layout(): JobLayout
    {
        return $this->layout ??= (new JobCompiler($this->catalogue, $this->book, $this->said))->compile();
    }

    /** @throws BadInput if the job has no such run */
    public function run(string $id): RunLayout
    {
        return $this->layout()->runs[$id] ?? throw BadInput::at('run', 'is no run of this job', $id);
    }

    /** Gives how the runs hang together. */
    public function network(): Network
    {
        return $this->network ??= NetworkBuilder::build($this->layout(), $this->catalogue, $this->book);
    }

    /**
     * @return list<Finding> of a run, the heaviest first, then in the order of flow
     *
     * @throws BadInput if the job has no such run
     */
    public function findings(string $run): array
    {
        $this->between ??= $this->networkRules->judge($this->network(), $this->book);

        if (! isset($this->findings[$run])) {
            $own = $this->rules->judge($this->run($run), $this->book);
            $this->findings[$run] = isset($this->between[$run])
                ? RuleSet::sorted([...$own, ...$this->between[$run]])
                : $own;
        }

        return $this->findings[$run];
    }

    /**
     * Gives where a run is hung, and what hangs between two hangers.
     *
     * @throws BadInput if the job has no such run
     */
    public function hanging(string $run): RunHanging
    {
        return $this->hanging[$run] ??= new RunHanging($this->run($run), $this->job(), $this->catalogue, $this->book);
    }

    /** Gives what is to be cut, and from which sticks. */
    public function cutting(): JobCutting
    {
        return $this->cutting ??= new JobCutting($this->toCut(), $this->said, $this->catalogue, $this->effort);
    }

    /** @return array<string, RunToCut> what must be known of each run to cut it, by id */
    public function toCut(): array
    {
        return $this->toCut ??= RunToCut::ofJob($this->layout());
    }

    /**
     * Takes what must be known of each run to cut it from whoever kept it: nothing is laid out for it again.
     *
     * @param array<string, RunToCut> $runs of the same job evaluated with the same numbers, by id
     */
    public function recallToCut(array $runs): void
    {
        $this->toCut = $runs;
    }

    /**
     * Gives the cut ticket of a run.
     *
     * @throws BadInput if the job has no such run
     */
    public function ticket(string $run): CutTicket
    {
        return new CutTicket($this->cutting(), $this->run($run), $this->job());
    }

    /**
     * Gives the day in which a run is joined.
     *
     * @throws BadInput if the job has no such run
     */
    public function day(string $run): RunDay
    {
        return new RunDay($this->run($run), $this->job(), $this->catalogue, $this->book, $this->effort);
    }

    /** Gives how the job is tested, and how far that is by what happened on site. */
    public function testing(SiteLog $log): JobTesting
    {
        return new JobTesting($this->network(), $this->job(), $this->catalogue, $this->book, $log);
    }

    /** Gives the record of the job by what happened on site. */
    public function record(SiteLog $log): JobRecord
    {
        return new JobRecord($this->network(), $this->job(), $this->catalogue, $this->book, $log);
    }

    /** Gives all that the job takes. */
    public function materials(): Materials
    {
        $plates = 0;
        foreach (array_keys($this->layout()->runs) as $run) {
            foreach ($this->findings($run) as $finding) {
                $plates += $finding->rule === ShieldPlateRule::ID ? 1 : 0;
            }
        }

        return new Materials($this->layout(), $this->job(), $this->catalogue, $this->book, $this->effort, $plates);
    }

    /** Gives how many hours of work the job is, roughly. */
    public function hours(): Hours
    {
        return new Hours($this->layout(), $this->job(), $this->catalogue, $this->book);
    }

    /** Gives what joins ends of pipes outside the runs. */
    public function joiner(): EndJoiner
    {
        return $this->joiner ??= new EndJoiner($this->catalogue);
    }
}
