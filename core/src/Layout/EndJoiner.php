<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\End;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\StandingPipe;
use FallBend\Core\Joining\Decision;
use FallBend\Core\Joining\EndKind;
use FallBend\Core\Joining\JointDecision;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\PipeEnd;
use FallBend\Core\Joining\Place;

/** Works out how the ends of a run meet the standing pipes of its job. */
final readonly class EndJoiner
{
    private JointDecision $decision;

    public function __construct(private Catalogue $catalogue)
    {
        $this->decision = new JointDecision($catalogue);
    }

    /**
     * Takes an end of a run and the size of the pipe there; gives null where the end does not meet a standing pipe.
     *
     * @param bool $isUpper water comes into the run there: pipe with hubs has one for it
     */
    public function joint(
        End $end,
        Job $job,
        PipeSystem $system,
        string $size,
        Place $place,
        Rulebook $rulebook,
        bool $isUpper,
    ): ?EndJoint {
        $pipe = $job->standingPipe($end->standing);
        if ($end->kind !== RunEndKind::Standing || $pipe === null) {
            return null;
        }
        $theirs = $this->standingEnd($pipe);
        $goesInOurs =
            $isUpper &&
            $system->hasHubs() &&
            $theirs?->kind->isMale() === true &&
            in_array($end->method, [null, $system->ownJoint, Method::Caulked->value], true);
        $ours = PipeEnd::of($system, $size, $goesInOurs ? EndKind::Hub : EndKind::Plain);
        if ($theirs === null) {
            return new EndJoint($end, $pipe, $ours, null, null, null);
        }
        $decision = $this->decided($end, $ours, $theirs, $place, $rulebook);

        return new EndJoint($end, $pipe, $ours, $theirs, $decision, $decision->offers[0] ?? null);
    }

    /**
     * Works out how an end of a run meets an end of another run, or an opening of a fitting in it.
     *
     * @param string $name of what it meets
     * @param PipeSystem $other of what it meets
     * @param PipeSystem $ours of the run
     * @param EndKind $ourKind a cut end, or the hub of its last piece
     */
    public function ofRun(
        End $end,
        string $name,
        PipeSystem $other,
        string $otherSize,
        EndKind $kind,
        PipeSystem $ours,
        string $size,
        Place $place,
        Rulebook $rulebook,
        EndKind $ourKind = EndKind::Plain,
    ): EndJoint {
        $a = PipeEnd::of($ours, $size, $ourKind);
        $b = PipeEnd::of($other, $otherSize, $kind);
        $decision = $this->decided($end, $a, $b, $place, $rulebook);
        $offer = $decision->offers[0] ?? null;

        return new EndJoint(
            $end,
            new StandingPipe(
                '',
                $name,
                $other->key,
                $otherSize,
                $kind->value,
                null,
                false,
                'told',
                '',
                '',
                null,
                '',
            ),
            $a,
            $b,
            $decision,
            $offer,
        );
    }

    /** Where somebody chose a method, no other is looked at. */
    private function decided(End $end, PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): Decision
    {
        return $end->method === null
            ? $this->decision->between($a, $b, $place, $rulebook)
            : $this->decision->chosen(Method::from($end->method), $a, $b, $place, $rulebook);
    }

    /** Gives what the pipe of a system meets in a fitting of its own. */
    public static function ownKind(?string $method): EndKind
    {
        return match ($method) {
            'push-fit' => EndKind::RingSocket,
            'bell-gasket' => EndKind::Bell,
            'hub-gasket' => EndKind::Hub,
            'no-hub-shielded' => EndKind::Spigot,
            default => EndKind::SolventSocket,
        };
    }

    /** Gives what can be done with two ends. */
    public function between(PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): Decision
    {
        return $this->decision->between($a, $b, $place, $rulebook);
    }

    /**
     * Gives an end of a single joint; null where it is a standing pipe that nobody knows yet.
     *
     * @param array{standing?: string, system?: string, size?: string, end?: string, od_mm?: float, fixed?: bool} $end
     */
    public function single(array $end, Job $job): ?PipeEnd
    {
        if (isset($end['standing'])) {
            $pipe = $job->standingPipe($end['standing']);

            return $pipe === null ? null : $this->standingEnd($pipe);
        }

        return isset($end['system'], $end['size'], $end['end'])
            ? PipeEnd::of(
                $this->catalogue->system($end['system']),
                $end['size'],
                EndKind::from($end['end']),
                $end['od_mm'] ?? null,
                $end['fixed'] ?? false,
            )
            : null;
    }

    private function standingEnd(StandingPipe $pipe): ?PipeEnd
    {
        return $pipe->system === null || $pipe->size === null
            ? null
            : PipeEnd::of(
                $this->catalogue->system($pipe->system),
                $pipe->size,
                EndKind::from($pipe->end),
                $pipe->outsideMm,
                $pipe->isFixed,
            );
    }
}
