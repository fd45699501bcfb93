<?php

declare(strict_types=1);

namespace FallBend\Core\Report;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Run;
use FallBend\Core\Job\SingleJoint;
use FallBend\Core\Joining\Decision;
use FallBend\Core\Joining\EndKind;
use FallBend\Core\Joining\InstructionCard;
use FallBend\Core\Joining\Mending;
use FallBend\Core\Joining\MethodTexts;
use FallBend\Core\Joining\Offer;
use FallBend\Core\Joining\PipeEnd;
use FallBend\Core\Joining\Place;
use FallBend\Core\Joining\TroubleKind;
use FallBend\Core\Layout\EndJoiner;
use FallBend\Core\Layout\JobCompiler;
use FallBend\Core\Layout\Joint;
use FallBend\Core\Layout\JointRegister;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Verdict\FindingReport;
use FallBend\Core\Verdict\SourceList;

/**
 * Everything about one joint of a job: its two ends, every way to join them with what each changes, every way that is
 * refused.
 *
 * @phpstan-import-type PartReport from InstructionCard
 * @phpstan-import-type CementClock from InstructionCard
 * @phpstan-import-type State from JointRegister
 * @phpstan-import-type Registered from JointRegister
 * @phpstan-import-type SaidFinding from FindingReport
 * @phpstan-import-type JointRefused from InstructionCard
 * @phpstan-import-type Source from Provenance
 * @phpstan-import-type Reading from Tape
 *
 * @phpstan-type JointEnd array{
 *     system: string,
 *     size: string,
 *     kind: string,
 *     name: string,
 *     letters: string,
 *     material: string,
 *     od_mm: float,
 *     wall_mm: float,
 *     depth_mm: float,
 *     depth_known: bool,
 *     measured: bool,
 *     fixed: bool,
 *     source: Source,
 * }
 * @phpstan-type WrittenCard array{
 *     key: string,
 *     id?: string,
 *     mark: ?string,
 *     single: bool,
 *     name: string,
 *     method: ?string,
 *     method_name: string,
 *     state: State,
 *     piece: ?string,
 *     a: JointEnd|null,
 *     b: JointEnd|null,
 *     ground: value-of<Place::GROUNDS>,
 *     access: value-of<Place::ACCESSES>,
 *     methods: list<JointMethod>,
 *     refused: list<JointRefused>,
 *     sources: list<Source>,
 * }
 * @phpstan-type Change array{piece: string, cut: Reading|null}
 * @phpstan-type JointMethod array{
 *     insert_a: Reading|null,
 *     insert_b: Reading|null,
 *     gap: Reading|null,
 *     changes: Change|null,
 *     method: string,
 *     name: string,
 *     maker_name: string,
 *     say: string,
 *     family: string,
 *     variant: string,
 *     parts: list<PartReport>,
 *     instead: list<PartReport>,
 *     insert_a_mm: ?float,
 *     insert_b_mm: ?float,
 *     gap_mm: ?float,
 *     reach_mm: ?float,
 *     slide_room_mm: ?float,
 *     torque_nm: ?float,
 *     torque_in_lb: ?float,
 *     driver: string,
 *     bands: int,
 *     opens: bool,
 *     price_class: int,
 *     steps: list<array{
 *         id: string,
 *         do: string,
 *         say: string,
 *         tools: list<string>,
 *         caution: ?string,
 *     }>,
 *     times: array{
 *         working_s: ?float,
 *         hold_s: ?float,
 *         set_min: ?float,
 *         cure_min: ?float,
 *         first_water: value-of<MethodTexts::FIRST_WATER>,
 *     },
 *     by_temperature: list<CementClock>,
 *     check: string,
 *     troubles: list<array{
 *         what: value-of<TroubleKind>,
 *         now: ?string,
 *         then: string,
 *         act: value-of<Mending>,
 *     }>,
 *     cautions: list<string>,
 *     findings: list<SaidFinding>,
 *     unknown: list<string>,
 * }
 * @phpstan-type CardHead array{
 *     key: string,
 *     id?: string,
 *     mark: ?string,
 *     single: bool,
 *     name: string,
 *     method: ?string,
 *     method_name: string,
 *     state: State,
 * }
 */
final readonly class JointCard
{
    private Tape $tape;

    private EndJoiner $joiner;

    private Catalogue $mine;

    private Rulebook $rulebook;

    private Job $job;

    private JobCompiler $compiler;

    public function __construct(EvaluatedJob $evaluated)
    {
        $this->mine = $evaluated->catalogue;
        $this->joiner = $evaluated->joiner();
        $this->rulebook = $evaluated->book;
        $this->job = $evaluated->job();
        $this->compiler = new JobCompiler($this->mine, $this->rulebook, $this->job);
        $this->tape = new Tape;
    }

    /**
     * Takes a run and the key of one of its joints.
     *
     * @return WrittenCard
     *
     * @throws BadInput if there is no such run or joint
     */
    public function ofRun(string $runId, string $jointKey): array
    {
        $layout = $this->layoutOf($runId);
        foreach ($layout->joints as $joint) {
            if ($joint->key === $jointKey) {
                return $this->card($layout, $joint, JointRegister::entries($layout)[$jointKey]);
            }
        }
        throw BadInput::at('joint', 'is no joint of that run', $jointKey);
    }

    /**
     * Takes a run; gives the cards of all its joints, in their order.
     *
     * @return list<WrittenCard>
     *
     * @throws BadInput if there is no such run
     */
    public function allOfRun(string $runId): array
    {
        $layout = $this->layoutOf($runId);
        $entries = JointRegister::entries($layout);

        return array_map(
            fn (Joint $joint): array => $this->card($layout, $joint, $entries[$joint->key]),
            $layout->joints,
        );
    }

    /** @return list<WrittenCard> the cards of all single joints of the job */
    public function allSingles(): array
    {
        return array_map(fn (SingleJoint $single): array => $this->ofSingle($single->id), $this->job->singles);
    }

    /**
     * Takes the id of a single joint.
     *
     * @return WrittenCard
     *
     * @throws BadInput if there is none
     */
    public function ofSingle(string $id): array
    {
        foreach ($this->job->singles as $single) {
            if ($single->id === $id) {
                [$a, $b] = [
                    $this->joiner->single($single->a, $this->job),
                    $this->joiner->single($single->b, $this->job),
                ];
                $entry = JointRegister::single($single, $this->job, $this->joiner, $this->rulebook);

                return $this->written(
                    ['key' => $id, 'mark' => null, 'single' => true, ...$entry],
                    $a,
                    $b,
                    $single->place,
                    fn (): ?array => null,
                    null,
                );
            }
        }
        throw BadInput::at('single', 'is no joint of this job', $id);
    }

    /** @throws BadInput if there is no such run */
    private function layoutOf(string $runId): RunLayout
    {
        return $this->layOut($this->job->run($runId) ?? throw BadInput::at('run', 'is no run of this job', $runId));
    }

    /**
     * @param Registered $entry of the joint, in the register of its run
     * @return WrittenCard
     */
    private function card(RunLayout $layout, Joint $joint, array $entry): array
    {
        $end = match ($joint->key) {
            'outlet' => $layout->site->outlet,
            'tie-in' => $layout->site->tieIn,
            default => null,
        };
        $piece = self::pieceAt($layout, $joint->key);
        $head = [
            'key' => $joint->key,
            'mark' => $joint->mark,
            'single' => false,
            ...$entry,
        ];
        if ($end !== null) {
            return $this->written(
                $head,
                $end->ours,
                $end->theirs,
                $layout->run->place,
                fn (Offer $offer): ?array => $this->consequence($layout->run, $joint->key, $offer),
                $piece,
            );
        }
        $ours = PipeEnd::of($layout->system, $joint->size, EndKind::Plain);
        $theirs = PipeEnd::of($layout->system, $joint->size, EndJoiner::ownKind($layout->system->ownJoint));

        return $this->written(
            $head,
            $ours,
            $theirs,
            $layout->run->place,
            function () use ($layout, $piece): ?array {
                $cut = $piece === null ? null : self::cut($layout, $piece);

                return $piece === null ? null : ['piece' => $piece, 'cut' => $this->tape->readingOrNull($cut)];
            },
            $piece,
        );
    }

    /**
     * @param CardHead $head
     * @param callable(Offer): (Change|null) $consequence
     * @return WrittenCard
     */
    private function written(
        array $head,
        ?PipeEnd $a,
        ?PipeEnd $b,
        Place $place,
        callable $consequence,
        ?string $piece,
    ): array {
        $card = new InstructionCard($this->mine, $this->job->units);
        $decision =
            $a === null || $b === null ? new Decision([], []) : $this->joiner->between($a, $b, $place, $this->rulebook);
        $sources = [$a?->pipe->provenance, $b?->pipe->provenance];
        $methods = [];
        foreach ($decision->offers as $offer) {
            if ($a === null || $b === null) {
                break;
            }
            $entry = $card->offer($offer, $a, $b, $place, $this->rulebook, $this->job->conditions);
            $methods[] = [
                'insert_a' => $this->tape->readingOrNull($offer->insertAMm),
                'insert_b' => $this->tape->readingOrNull($offer->insertBMm),
                'gap' => $this->tape->readingOrNull($offer->gapMm),
                'changes' => $consequence($offer),
                ...$entry,
            ];
            $sources = [...$sources, ...$card->sources($offer, $a, $b, $this->rulebook, $this->job->conditions)];
        }

        return [
            ...$head,
            'piece' => $piece,
            'a' => $a === null ? null : $this->end($a),
            'b' => $b === null ? null : $this->end($b),
            'ground' => $place->ground,
            'access' => $place->access,
            'methods' => $methods,
            'refused' => array_map($card->refusal(...), $decision->refusals),
            'sources' => SourceList::list($sources),
        ];
    }

    /** @return JointEnd */
    private function end(PipeEnd $end): array
    {
        return [
            'system' => $end->system->key,
            'size' => $end->pipe->size,
            'kind' => $end->kind->value,
            'name' => "{$end->system->short} {$end->pipe->size}",
            'letters' => $end->system->letters,
            'material' => $end->system->material,
            'od_mm' => $end->outsideMm,
            'wall_mm' => $end->pipe->wallMm ?? ($end->outsideMm - $end->pipe->boreMm) / 2,
            'depth_mm' => $end->pipe->socketDepthMm,
            'depth_known' => $end->pipe->isSocketKnown,
            'measured' => $end->isMeasured,
            'fixed' => $end->isFixed,
            'source' => $end->pipe->provenance->toArray(),
        ];
    }

    /** @return Change|null what the cut length of the piece at the joint would be */
    private function consequence(Run $run, string $key, Offer $offer): ?array
    {
        $end = $key === 'outlet' ? $run->outlet : $run->tieIn;
        $other = $end->joinedBy($offer->method->value);
        $layout = $this->layOut(
            $key === 'outlet' ? $run->withEnds($other, $run->tieIn) : $run->withEnds($run->outlet, $other),
        );
        $piece = self::pieceAt($layout, $key);

        return $piece === null
            ? null
            : ['piece' => $piece, 'cut' => $this->tape->readingOrNull(self::cut($layout, $piece))];
    }

    private function layOut(Run $run): RunLayout
    {
        return $this->compiler->one($run);
    }

    private static function pieceAt(RunLayout $layout, string $key): ?string
    {
        foreach ($layout->pieces as $piece) {
            if ($piece->jointFrom === $key || $piece->jointTo === $key) {
                return $piece->letter;
            }
        }

        return null;
    }

    private static function cut(RunLayout $layout, string $letter): ?float
    {
        foreach ($layout->pieces as $piece) {
            if ($piece->letter === $letter) {
                return $piece->isCutKnown ? $piece->cutMm : null;
            }
        }

        return null;
    }
}
