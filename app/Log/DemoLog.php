<?php

declare(strict_types=1);

namespace App\Log;

use App\Models\Job;
use App\Models\User;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Input\Fields;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Sequence\RunTimes;
use FallBend\Core\Sequence\SingleJoints;
use FallBend\Core\Sequence\SiteTimetable;
use FallBend\Core\Testing\Stage;
use FallBend\Core\Testing\TestingTexts;
use FallBend\Core\Testing\TestKind;
use FallBend\Core\Testing\TestSystem;
use FallBend\Core\Testing\TestSystems;
use Illuminate\Support\Carbon;

/**
 * What happened on site of the demo jobs: one is in the middle of its day, the other one is finished and signed. Times
 * are minutes before now.
 *
 * @phpstan-type Said array{by: 'lead'|'apprentice', ago: float, kind: string, said: array<string, mixed>}
 */
final class DemoLog
{
    private const DAY = 1_440.0;

    /** Nobody watches cement cure. */
    private const LONGEST_WAIT_MIN = 4.0;

    /** @var list<Said> */
    private array $said = [];

    /** @param string $name of the file of the demo job */
    public function __construct(
        private readonly AppendToLog $append,
        private readonly Job $job,
        private readonly EvaluatedJob $evaluated,
        private readonly string $name,
    ) {}

    /** The glue-up of one run is half done, one joint of it was cut out; the house drain is under test. */
    public function halfDone(User $lead, User $apprentice): void
    {
        $this->read(8 * self::DAY);
        $this->glueUp('clay-wash');
        foreach (TestSystems::of($this->evaluated->network()) as $system) {
            if (in_array($system->id, ['house', 'glaze'], true)) {
                $this->joined($system, 3 * self::DAY);
            }
            if ($system->id === 'glaze') {
                $this->mended($system);
            }
            if ($system->id === 'house') {
                $this->underTest($system);
            }
        }
        $this->say('lead', 45.0, 'note', [
            'note' => 'The inspector comes at four; he wants to see the level stand for the last five minutes.',
        ]);
        $this->write($lead, $apprentice);
    }

    /** All is joined, tested, looked at and signed. */
    public function finished(User $lead, User $apprentice): void
    {
        $this->wholeDay();
        $this->write($lead, $apprentice);
    }

    /**
     * The same as it went on, entry by entry, each with the time at which it was; what took longer than a few minutes
     * is shortened.
     *
     * @param callable(float): void $wait for so many minutes
     * @param callable(string): void $tell what happens
     */
    public function played(User $lead, User $apprentice, callable $wait, callable $tell): void
    {
        $this->wholeDay();
        $before = null;
        foreach ($this->inOrder() as $n => $one) {
            $wait($before === null ? 0.0 : min(self::LONGEST_WAIT_MIN, $before - $one['ago']));
            $before = $one['ago'];
            $who = $one['by'] === 'lead' ? $lead : $apprentice;
            $this->append->append($this->job, $who, "{$one['by']}'s phone", [self::event($one, $n)]);
            $tell($one['kind']);
        }
    }

    /** What was read of standing pipes and at hangers: it stands in a file of its own. */
    private function read(float $ago): void
    {
        $text = (string) file_get_contents(database_path("demo/log/{$this->name}.json"));
        /** @var list<array{kind: string}> $read */
        $read = json_decode($text, true, 8, JSON_THROW_ON_ERROR);
        foreach ($read as $n => $said) {
            $this->say('apprentice', $ago - $n * 6.0, $said['kind'], $said);
        }
    }

    private function wholeDay(): void
    {
        $this->read(8 * self::DAY);
        $this->say('lead', 7 * self::DAY, 'services', [
            'run' => 'drain',
            'note' => 'The network and the gas were here: red and yellow paint, gate to corner; nothing else.',
        ]);
        foreach (TestSystems::of($this->evaluated->network()) as $system) {
            $this->joined($system, 6 * self::DAY);
            $this->tested($system, TestKind::LowAir, [[1.0, 38.0], [5.0, 38.0]], 2 * self::DAY);
            $this->walked($system, Stage::RoughIn, 2 * self::DAY - 15);
        }
        $this->outside();
        $this->say('apprentice', 3 * self::DAY, 'located', [
            'run' => 'drain',
            'joint' => $this->lastJoint('drain'),
            'from' => 'north corner of the cottage',
            'from_mm' => 2_340,
            'second' => 'gate post',
            'second_mm' => 3_815,
            'depth_mm' => 610,
        ]);
        $this->say('lead', 2 * self::DAY - 60, 'note', [
            'note' => 'Building control agreed to see the drain open on the day before, and took photographs.',
        ]);
        $this->say('lead', self::DAY, 'signed', ['name' => 'R. Halloway', 'role' => 'lead hand']);
    }

    /** Half of a run, the last of it just now; one joint crept out, was cut out and is to be made again. */
    private function glueUp(string $run): void
    {
        $layout = $this->evaluated->run($run);
        $numbers = array_column($layout->joints, 'number');
        $this->cut($layout, 300.0, $numbers);
        foreach ($numbers as $n => $joint) {
            $this->say('apprentice', 200.0 - $n, 'dry-fit', ['run' => $run, 'joint' => $joint]);
        }
        $half = array_slice($numbers, 1, intdiv(count($numbers), 2));
        foreach ($half as $n => $joint) {
            $ago = (count($half) - $n) * 22.0 - 18.0;
            $this->say('lead', $ago, 'joint', $this->madeOf($layout, $joint));
            if ($n < count($half) - 1) {
                $this->say('apprentice', $ago - 1, 'seen', [
                    'run' => $run,
                    'joint' => $joint,
                    'depth' => true,
                    'angle' => true,
                    'bead' => true,
                ]);
            }
        }
        $crept = $half[1] ?? $numbers[0];
        $this->say('lead', 30.0, 'trouble', [
            'run' => $run,
            'joint' => $crept,
            'what' => 'moved',
            'note' => 'Crept out a quarter of an inch while the strap was put on.',
        ]);
        foreach ($this->ofFitting($layout, $crept, $half) as $joint) {
            $this->say('lead', 26.0, 'cut-out', ['run' => $run, 'joint' => $joint]);
        }
    }

    /**
     * @param list<int> $made
     * @return list<int> the joints that are made in the fitting of a joint: they are lost with it
     */
    private function ofFitting(RunLayout $layout, int $number, array $made): array
    {
        $fittings = array_column($layout->joints, 'fitting', 'number');
        $isLost = static fn (int $other): bool => $other === $number ||
            ($fittings[$other] !== null && $fittings[$other] === $fittings[$number]);

        return array_values(array_filter($made, $isLost));
    }

    /** A test that was not passed, the joint that leaked, its repair, and the test after it. */
    private function mended(TestSystem $system): void
    {
        $run = $system->runs[0];
        $layout = $this->evaluated->run($run);
        $joint = $layout->joints[intdiv(count($layout->joints), 2)]->number;
        $this->tested($system, TestKind::Water, [[1.0, 0.0], [7.0, -9.0]], 2 * self::DAY);
        $of = ['run' => $run, 'joint' => $joint];
        $this->say('apprentice', 2 * self::DAY - 10, 'walk', $of + ['dry' => false, 'note' => 'A drop a minute.']);
        foreach ($this->ofFitting($layout, $joint, array_column($layout->joints, 'number')) as $lost) {
            $this->say('lead', 2 * self::DAY - 30, 'cut-out', ['run' => $run, 'joint' => $lost]);
            $this->say('lead', 2 * self::DAY - 70, 'joint', $this->madeOf($layout, $lost));
        }
        $this->tested($system, TestKind::Water, [[1.0, 0.0], [9.0, 0.0], [16.5, 0.0]], self::DAY - 60);
        $this->walked($system, Stage::RoughIn, self::DAY - 80);
    }

    private function underTest(TestSystem $system): void
    {
        $key = $this->begun($system, TestKind::Water, 10.0);
        foreach ([[9.0, 0.0], [7.0, 0.0], [4.5, -0.5]] as [$ago, $value]) {
            $this->say('apprentice', $ago, 'reading', ['test' => $key, 'value' => $value]);
        }
    }

    /** @param list<array{float, float}> $readings minutes after it was begun, and what was read */
    private function tested(TestSystem $system, TestKind $kind, array $readings, float $ago): void
    {
        $key = $this->begun($system, $kind, $ago);
        foreach ($readings as [$after, $value]) {
            $this->say('lead', $ago - $after, 'reading', ['test' => $key, 'value' => $value]);
        }
    }

    private function begun(TestSystem $system, TestKind $kind, float $ago): string
    {
        $key = 'demo-test-'.count($this->said);
        $this->say(
            'lead',
            $ago,
            'test-begun',
            ['key' => $key, 'system' => $system->id, 'stage' => Stage::RoughIn->value, 'what' => $kind->value],
        );

        return $key;
    }

    private function walked(TestSystem $system, Stage $stage, float $ago): void
    {
        foreach ($system->runs as $run) {
            foreach ($this->evaluated->run($run)->joints as $n => $joint) {
                $this->say('apprentice', $ago - $n * 0.2, 'walk', [
                    'run' => $run,
                    'joint' => $joint->number,
                    'dry' => true,
                ]);
            }
        }
        foreach (TestingTexts::checks($stage, $this->evaluated->book->id, null) as $check) {
            $this->say('apprentice', $ago - 20, 'check', [
                'system' => $system->id,
                'stage' => $stage->value,
                'check' => $check['key'],
                'ok' => true,
            ]);
        }
    }

    /** All joints of a system, one after another. */
    private function joined(TestSystem $system, float $ago): void
    {
        foreach ($system->runs as $r => $run) {
            $layout = $this->evaluated->run($run);
            $this->cut($layout, $ago + 360.0, array_column($layout->joints, 'number'));
            foreach ($layout->joints as $n => $joint) {
                $at = $ago - $r * 30.0 - $n * 4.0;
                $of = ['run' => $run, 'joint' => $joint->number];
                $this->say('apprentice', $at + 240, 'dry-fit', $of);
                $this->say('lead', $at, 'joint', $this->madeOf($layout, $joint->number));
                $this->say('apprentice', $at - 1, 'seen', $of + ['depth' => true, 'angle' => true]);
            }
        }
    }

    /**
     * All pieces of a run, as long as they had to be, or were measured to be.
     *
     * @param list<int> $joints only those at one of these
     */
    private function cut(RunLayout $layout, float $ago, array $joints): void
    {
        $keys = array_flip(array_column($layout->joints, 'key', 'number'));
        foreach ($layout->pieces as $n => $piece) {
            $at = [$keys[$piece->jointFrom] ?? 0, $keys[$piece->jointTo] ?? 0];
            if (array_intersect($at, $joints) !== []) {
                $this->say('apprentice', $ago - $n * 2.0, 'cut', [
                    'run' => $layout->run->id,
                    'piece' => $piece->key,
                    'length_mm' => max(1.0, $piece->isCutKnown ? $piece->cutMm : round($piece->cutMm)),
                ]);
            }
        }
    }

    /** @return array<string, mixed> a joint as whoever made it was shown it */
    private function madeOf(RunLayout $layout, int $number): array
    {
        $job = $this->evaluated->job();
        $table = new SiteTimetable($this->evaluated->catalogue, $this->evaluated->book, $job->conditions);
        $times = new RunTimes($layout, $table);
        $said = ['run' => $layout->run->id, 'joint' => $number];
        foreach ($layout->joints as $joint) {
            if ($joint->number !== $number) {
                continue;
            }
            $method = $times->method($joint);
            $pieces = [];
            foreach ($layout->pieces as $piece) {
                if ($piece->isCutKnown && in_array($joint->key, [$piece->jointFrom, $piece->jointTo], true)) {
                    $pieces[$piece->key] = $piece->cutMm;
                }
            }
            $said += $method === null ? [] : ['method' => $method->value];
            $said += $pieces === [] ? [] : ['pieces' => $pieces];
        }

        $said += isset($said['method']) ? [] : ['part' => 'rubber sleeve with two clamps, as measured on site'];

        return $said + ['air_c' => $job->conditions->airC, 'rh_percent' => $job->conditions->humidity];
    }

    /** What is joined outside the runs, one after another. */
    private function outside(): void
    {
        foreach ($this->evaluated->job()->singles as $n => $single) {
            $of = ['run' => SingleJoints::run($single), 'joint' => SingleJoints::NUMBER];
            $this->say('lead', 5 * self::DAY - $n * 20.0, 'joint', $of);
            $this->say('apprentice', 2 * self::DAY - 30, 'walk', $of + ['dry' => true]);
        }
    }

    private function lastJoint(string $run): int
    {
        $joints = $this->evaluated->run($run)->joints;

        return $joints[count($joints) - 1]->number;
    }

    /**
     * @param 'lead'|'apprentice' $by
     * @param array<string, mixed> $said
     */
    private function say(string $by, float $ago, string $kind, array $said): void
    {
        $this->said[] = ['by' => $by, 'ago' => $ago, 'kind' => $kind, 'said' => $said];
    }

    /** Appends what was said in the order in which it happened. */
    private function write(User $lead, User $apprentice): void
    {
        $batches = [];
        foreach ($this->inOrder() as $n => $one) {
            $last = count($batches) - 1;
            $event = self::event($one, $n);
            if ($last >= 0 && $batches[$last]['by'] === $one['by']) {
                $batches[$last]['events'][] = $event;
            } else {
                $batches[] = ['by' => $one['by'], 'events' => [$event]];
            }
        }
        foreach ($batches as $batch) {
            $who = $batch['by'] === 'lead' ? $lead : $apprentice;
            $this->append->append($this->job, $who, "{$batch['by']}'s phone", $batch['events']);
        }
    }

    /** @return list<Said> */
    private function inOrder(): array
    {
        $said = $this->said;
        usort($said, static fn (array $a, array $b): int => $b['ago'] <=> $a['ago']);

        return $said;
    }

    /** @param Said $one */
    private static function event(array $one, int $n): SiteEvent
    {
        $ago = $one['ago'];

        return SiteEvent::read(
            Fields::of($one['said'] + [
                'key' => sprintf('demo-entry-%04d', $n),
                'kind' => $one['kind'],
                'made_at' => Carbon::now()->subSeconds((int) round($ago * 60))->toIso8601String(),
                'age_s' => $ago * 60,
            ]),
        );
    }
}
