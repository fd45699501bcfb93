<?php

declare(strict_types=1);

namespace App\Evaluations;

use FallBend\Core\Catalog\OwnNumbers;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\Job as Plan;
use FallBend\Core\Report\BoardSummary;
use FallBend\Core\Report\JobParts;
use FallBend\Core\Site\Progress;

use function Illuminate\Support\defer;

/**
 * An evaluated job as it is answered and kept: what the same job came to before is known, the rest is worked out.
 *
 * @phpstan-import-type JobSummary from BoardSummary
 * @phpstan-import-type LaidSummary from BoardSummary
 *
 * @phpstan-type Known array{parts: array<string, string>, board: LaidSummary}
 */
final class JobEvaluation
{
    private readonly JobParts $parts;

    /** @var array<string, string> by name, as JSON */
    private array $texts;

    /** @var LaidSummary|null */
    private ?array $board;

    private bool $isNew = false;

    /** Whether what is to be cut is still to be looked for among what is known. */
    private bool $isCuttingSought;

    /** Whether what is to be cut is to be kept. */
    private bool $isCuttingNew;

    /**
     * @param ?string $key that it may be known by; null: it is not looked for
     * @param Known|null $known what the same job came to before
     */
    private function __construct(
        public readonly EvaluatedJob $evaluated,
        private readonly OwnNumbers $own,
        private readonly KnownEvaluations $evaluations,
        private readonly ?string $key = null,
        private readonly ?array $known = null,
    ) {
        $this->isCuttingSought = $known !== null;
        $this->isCuttingNew = $known === null;
        $this->parts = new JobParts($evaluated);
        $this->texts = $known['parts'] ?? [];
        $this->board = $known['board'] ?? null;
    }

    /** That of a job which may have been evaluated before. */
    public static function of(EvaluatedJob $evaluated, OwnNumbers $own, KnownEvaluations $evaluations): self
    {
        $key = $evaluations->key($evaluated->said, $own);

        return new self($evaluated, $own, $evaluations, $key, $evaluations->find($key));
    }

    /** That of a job as it was said just now. */
    public static function fresh(EvaluatedJob $evaluated, OwnNumbers $own, KnownEvaluations $evaluations): self
    {
        return new self($evaluated, $own, $evaluations);
    }

    /** Gives the job with all marks allotted: one that was evaluated before had them already. */
    public function job(): Plan
    {
        return $this->known === null ? $this->evaluated->job() : $this->evaluated->said;
    }

    /**
     * Tries whether it can be worked out.
     *
     * @throws BadInput if it cannot
     */
    public function workOut(): void
    {
        if ($this->known === null) {
            $this->evaluated->network();
        }
    }

    /**
     * @param list<string> $wanted names; `run:*` stands for every run
     * @return list<string> names of the parts that are wanted
     */
    public function names(array $wanted): array
    {
        return $this->parts->names($wanted);
    }

    /** Gives a part as JSON; see JobParts. */
    public function text(string $name): ?string
    {
        if (isset($this->texts[$name])) {
            return $this->texts[$name];
        }
        $isCutting = str_starts_with($name, 'cut:');
        if ($isCutting) {
            $this->recallToCut();
        }
        $text = $this->parts->text($name);
        // What is to be cut changes with every tick, which is no part of what an evaluation is known by.
        if ($text !== null && ! $isCutting) {
            $this->texts[$name] = $text;
            $this->isNew = true;
        }

        return $text;
    }

    /** @return JobSummary what the board shows of it, with the joints as far as they are */
    public function summary(Progress $progress): array
    {
        return BoardSummary::counted($this->board(), $this->job()->site, $progress);
    }

    /** Keeps what it came to once it is answered: nobody waits for it. */
    public function remember(): void
    {
        if ($this->isNew || $this->isCuttingNew) {
            defer(function (): void {
                $key = $this->knownKey();
                $this->evaluations->keep($key, ['parts' => $this->texts, 'board' => $this->board()]);
                if ($this->isCuttingNew) {
                    $this->evaluations->keepToCut($key, $this->evaluated->toCut());
                }
            });
        }
    }

    /** Gives what it will be known by: a job with all its marks has the key that it was looked for by. */
    private function knownKey(): string
    {
        return $this->key === null || $this->known === null
            ? $this->evaluations->key($this->job(), $this->own)
            : $this->key;
    }

    /** Takes what is to be cut of each run from what is known, once, where it is known. */
    private function recallToCut(): void
    {
        if (! $this->isCuttingSought || $this->key === null) {
            return;
        }
        $this->isCuttingSought = false;
        $runs = $this->evaluations->findToCut($this->key);
        if ($runs === null) {
            $this->isCuttingNew = true;
        } else {
            $this->evaluated->recallToCut($runs);
        }
    }

    /** @return LaidSummary */
    private function board(): array
    {
        return $this->board ??= BoardSummary::laid($this->evaluated);
    }
}
