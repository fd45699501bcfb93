<?php

declare(strict_types=1);

namespace FallBend\Core\Recording;

use FallBend\Core\Job\Marks;
use FallBend\Core\Joining\Method;
use FallBend\Core\Joining\MethodTexts;
use FallBend\Core\Joining\TroubleKind;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Units;
use FallBend\Core\Site\Entry;
use FallBend\Core\Site\EntryKind;
use FallBend\Core\Site\JointStanding;
use FallBend\Core\Site\SiteLog;

/**
 * The joints of a run by the log: how each was made, by whom and when, what was seen of it and found at it since.
 *
 * @phpstan-type RecordedNote array{at: string, by: string, note: string}
 * @phpstan-type RecordedTrouble array{
 *     what: value-of<TroubleKind>,
 *     at: string,
 *     by: string,
 *     note: string,
 * }
 * @phpstan-type RecordedPicture array{hash: string, at: string, by: string, note: string}
 * @phpstan-type RecordedJoint array{
 *     joint: int,
 *     mark: string,
 *     name: string,
 *     size: string,
 *     planned: string,
 *     method: string,
 *     part: string,
 *     made_at: ?string,
 *     by: string,
 *     air_c: ?float,
 *     rh_percent: ?float,
 *     torque_nm: ?float,
 *     dry_at: ?string,
 *     depth: ?bool,
 *     angle: ?bool,
 *     bead: ?bool,
 *     note: string,
 *     trouble: RecordedTrouble|null,
 *     cut_out: list<RecordedNote>,
 *     dry: ?bool,
 *     dry_by: string,
 *     located: string,
 *     pictures: list<RecordedPicture>,
 * }
 */
final readonly class RecordedJoints
{
    /** @var array<int, JointStanding> by number */
    private array $standings;

    /** @var array<int, list<Entry>> by number of the joint */
    private array $located;

    /** @var array<int, list<Entry>> by number of the joint */
    private array $pictures;

    /** @param Marks $marks of the run, or none of joints outside the runs */
    public function __construct(private SiteLog $log, string $run, private Units $units, private Marks $marks)
    {
        $this->standings = $log->joints($run);
        $this->located = $log->ofJoints($run, EntryKind::Located);
        $this->pictures = $log->ofJoints($run, EntryKind::Photograph);
    }

    /**
     * @param int $number of the joint in the log
     * @param ?Method $planned how the plan has it made; null: it is not settled
     * @return RecordedJoint
     */
    public function joint(int $number, string $name, string $size, ?Method $planned): array
    {
        $standing = $this->standings[$number] ?? new JointStanding;
        $made = $standing->made->content ?? [];
        $seen = $standing->seen->content ?? [];
        $method = isset($made['method']) ? Method::tryFrom($made['method']) : $planned;

        return [
            'joint' => $number,
            'mark' => $this->marks->ofNumber($number),
            'name' => $name,
            'size' => $size,
            'planned' => self::name($planned),
            'method' => $standing->made === null ? '' : self::name($method),
            'part' => $made['part'] ?? '',
            'made_at' => $this->timeOrNull($standing->made),
            'by' => $standing->made->by ?? '',
            'air_c' => $made['air_c'] ?? null,
            'rh_percent' => $made['rh_percent'] ?? null,
            'torque_nm' => $made['torque_nm'] ?? null,
            'dry_at' => $this->timeOrNull($standing->dry),
            'depth' => $seen['depth'] ?? null,
            'angle' => $seen['angle'] ?? null,
            'bead' => $seen['bead'] ?? null,
            'note' => $made['note'] ?? '',
            'trouble' => $this->trouble($standing),
            'cut_out' => self::notes($standing->cutOut, $this->log),
            'dry' => $standing->walk->content['dry'] ?? null,
            'dry_by' => $standing->walk->by ?? '',
            'located' => $this->placeInWords($this->located[$number] ?? []),
            'pictures' => self::pictures($this->pictures[$number] ?? [], $this->log),
        ];
    }

    /**
     * @param list<Entry> $entries
     * @return list<RecordedNote> what was noted with each
     */
    public static function notes(array $entries, SiteLog $log): array
    {
        return array_map(static fn (Entry $entry): array => self::note($entry, $log), $entries);
    }

    /**
     * @param list<Entry> $entries of photographs
     * @return list<RecordedPicture>
     */
    public static function pictures(array $entries, SiteLog $log): array
    {
        return array_map(
            static fn (Entry $entry): array => ['hash' => $entry->content['hash'] ?? ''] + self::note($entry, $log),
            $entries,
        );
    }

    /** @return RecordedNote */
    private static function note(Entry $entry, SiteLog $log): array
    {
        return ['at' => $log->said($entry->at), 'by' => $entry->by, 'note' => $entry->content['note'] ?? ''];
    }

    /** @return RecordedTrouble|null */
    private function trouble(JointStanding $standing): ?array
    {
        $what = $standing->trouble();

        return $what === null || $standing->trouble === null
            ? null
            : ['what' => $what->value] + self::note($standing->trouble, $this->log);
    }

    /**
     * Gives where a joint lies that is covered, as it was measured last; empty: nobody measured it.
     *
     * @param list<Entry> $located in the order in which they arrived
     */
    private function placeInWords(array $located): string
    {
        if ($located === []) {
            return '';
        }
        $content = $located[count($located) - 1]->content;
        [$from, $second] = [$content['from'] ?? '', $content['second'] ?? ''];
        $long = fn (float $mm): string => (new Tape)->long($mm, $this->units);
        $depth = isset($content['depth_mm']) ? ', '.$long($content['depth_mm']).' deep' : '';

        return $long($content['from_mm'] ?? 0.0)." from {$from}, ".
            $long($content['second_mm'] ?? 0.0)." from {$second}{$depth}";
    }

    private static function name(?Method $method): string
    {
        return $method === null ? '' : MethodTexts::text($method)['name'];
    }

    private function timeOrNull(?Entry $entry): ?string
    {
        return $entry === null ? null : $this->log->said($entry->at);
    }
}
