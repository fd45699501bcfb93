<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\OwnNumbers;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Evaluation\JobJudgement;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\Run;
use FallBend\Core\Layout\JobCompiler;
use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Layout\JobSize;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Rules\Network\NetworkRuleSet;
use FallBend\Core\Rules\RuleSet;
use Illuminate\Http\Request;

/** Reads the job that a request brings and lays it out, with the numbers of the crew that asks and the job's own. */
final readonly class LayOut
{
    public function __construct(private JobFile $file, private CrewNumbers $crew, private Catalogue $catalogue) {}

    /**
     * @param Fields $body of the request
     *
     * @throws BadInput where the document is wrong, or the job too large
     */
    public function job(Fields $body): Job
    {
        $document = $body->raw('document');
        $job = $this->file->read(is_array($document) ? $document : []);
        JobSize::check($job, $this->catalogue);

        return $job;
    }

    /** What the crew of whoever asks set for itself. */
    public function own(Request $request): OwnNumbers
    {
        $user = $request->user();

        return $this->crew->of($user instanceof User ? $user->crewId() : null);
    }

    /** @return array{Job, JobLayout, Catalogue, Rulebook} */
    public function wholeJob(Request $request, Fields $body): array
    {
        [$job, $own] = [$this->job($body), $this->own($request)];
        [$catalogue, $book] = [$job->catalogue($this->catalogue, $own), $job->book($this->catalogue, $own)];

        return [$job, (new JobCompiler($catalogue, $book, $job))->compile(), $catalogue, $book];
    }

    /** @return array{Job, RunLayout, Catalogue, Rulebook} with the run that the body asks for */
    public function run(Request $request, Fields $body): array
    {
        [$job, $layout, $catalogue, $book] = $this->wholeJob($request, $body);

        return [$job, $layout->runs[self::runOf($body, $job)], $catalogue, $book];
    }

    /** @return array{Job, JobJudgement, Catalogue} the job judged too */
    public function judged(Request $request, Fields $body): array
    {
        [$job, $own] = [$this->job($body), $this->own($request)];
        $catalogue = $job->catalogue($this->catalogue, $own);

        return [$job, JobJudgement::of($job, $catalogue, $job->book($this->catalogue, $own), new RuleSet($this->catalogue), new NetworkRuleSet), $catalogue];
    }

    /** Gives the id of the run that a body asks for. */
    public static function runOf(Fields $body, Job $job): string
    {
        return $body->choice('run', array_map(static fn (Run $run): string => $run->id, $job->runs));
    }
}
