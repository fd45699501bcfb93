<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Usual;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\End;
use FallBend\Core\Job\Ids;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Marks;
use FallBend\Core\Job\Run;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\RunUse;
use FallBend\Core\Job\Terminal;
use FallBend\Core\Measure\Tolerance;

/**
 * Reads a whole run in one line: where it comes from, its legs, where it goes. `lav: basin / east 30 / into stack 60`,
 * `stack: roof 3 / down 120 / north 96`,
 * `vent off lav 20 / up 90 / roof`. What is not understood is marked where it stands; then no run is made, and no word
 * is lost.
 */
final readonly class RunReader
{
    private BeginningReader $heads;

    private Usual $usual;

    public function __construct(private Job $job, private Catalogue $catalogue)
    {
        $this->heads = new BeginningReader($job, $catalogue);
        $this->usual = $catalogue->rulebook($job->rulebook)->usual;
    }

    /**
     * @param string $text the whole line
     * @return array{run: ?Run, phrases: list<Phrase>} the run, where all of it was understood
     */
    public function read(string $text): array
    {
        $parts = self::parts($text);
        if ($parts === []) {
            return ['run' => null, 'phrases' => []];
        }
        [$headText, $headAt] = array_shift($parts);
        $head = $this->heads->read($headText, $headAt);
        $tail = null;
        if ($parts !== [] && EndingReader::isOne($parts[count($parts) - 1][0])) {
            [$tailText, $tailAt] = array_pop($parts);
            $tail = (new EndingReader($this->job))->read($tailText, $tailAt);
        }
        $system = $this->system($head, $tail['end'] ?? null);
        $head = $this->withMadeSize($head, $system, $headText, $headAt);
        $reader = new PhraseReader($this->job->units, $this->catalogue->system($system)->sizes());
        $phrases = CallOutReader::sized(
            array_map(static fn (array $part): Phrase => $reader->read($part[0], $part[1]), $parts),
        );
        $all = [new Phrase($headText, $headAt, new Leg(''), $head->unread), ...$phrases];
        if ($tail !== null) {
            $all[] = new Phrase($tailText, $tailAt, new Leg(''), $tail['unread']);
        }
        $isRead =
            $phrases !== [] && array_filter($all, static fn (Phrase $phrase): bool => $phrase->unread !== []) === [];
        if (! $isRead || $head->outlet === null) {
            return ['run' => null, 'phrases' => $all];
        }
        $run = $this->run($head, $system, $phrases, $tail['end'] ?? new End('not said yet', RunEndKind::Socket));
        $problem = $this->whyItCannotBeKept($run);
        if ($problem !== null) {
            $unread = new Unread($headAt, max(1, mb_strlen(trim($headText))), $problem);
            $all[0] = new Phrase($headText, $headAt, new Leg(''), [$unread]);

            return ['run' => null, 'phrases' => $all];
        }

        return ['run' => $run, 'phrases' => $all];
    }

    /** The beginning, with a size that the pipe is not made in named, and those that it is. */
    private function withMadeSize(RunBeginning $head, string $system, string $text, int $at): RunBeginning
    {
        $pipes = $this->catalogue->system($system);
        if ($head->size === null || $head->unread !== [] || in_array($head->size, $pipes->sizes(), true)) {
            return $head;
        }
        $message = "{$pipes->short} comes in ".implode(', ', $pipes->sizes()).' here, not in '.$head->size.'.';
        $lead = mb_strlen($text) - mb_strlen(ltrim($text));
        $unread = [new Unread($at + $lead, max(1, mb_strlen(trim($text))), $message)];

        return new RunBeginning($head->name, null, null, $head->system, $head->headingDeg, $unread);
    }

    /** What is read here is read from a file later: the limits are those of the file. */
    private function whyItCannotBeKept(Run $run): ?string
    {
        try {
            (new JobFile($this->catalogue))->write($this->job->withRuns([...$this->job->runs, $run]));
        } catch (BadInput $bad) {
            $field = str_replace('_', ' ', (string) preg_replace(['/^.*\./', '/_mm$/'], '', $bad->field));

            return "This run cannot be kept: {$field} {$bad->getMessage()}.";
        }

        return null;
    }

    /** @param list<Phrase> $phrases */
    private function run(RunBeginning $head, string $system, array $phrases, End $tieIn): Run
    {
        $id = $this->freeId($head->name);
        $legs = [];
        foreach ($phrases as $i => $phrase) {
            $legs[] = $phrase->leg->withId('l'.($i + 1));
        }
        $outlet = $head->outlet ?? new End($head->name, RunEndKind::Socket);
        $use = match (true) {
            $outlet->branch !== null => RunUse::Vent,
            $outlet->fixture !== null => RunUse::FixtureDrain,
            default => RunUse::Drain,
        };
        $end =
            $use === RunUse::Vent &&
            ! in_array($tieIn->kind, [RunEndKind::Branch, RunEndKind::Roof, RunEndKind::Valve], true)
                ? new End('roof', RunEndKind::Roof, terminal: new Terminal)
                : $tieIn;

        return new Run(
            $id,
            $head->name,
            $system,
            $head->size ?? $this->size($outlet, $system),
            $use,
            null,
            $outlet,
            $end,
            null,
            $head->headingDeg,
            $legs,
            new Marks,
            count($legs) + 1,
        );
    }

    /** The system of what it meets, or else of the first run, or what is usual under the rulebook. */
    private function system(RunBeginning $head, ?End $tieIn): string
    {
        $meets = $this->job->run($head->outlet->branch->run ?? ($tieIn->branch->run ?? ($tieIn->next ?? '')));
        if ($head->system !== null) {
            return $head->system;
        }
        $isCloset = $head->outlet?->fixture?->kind === FixtureKind::WaterCloset;
        $isWasteIntoSoil =
            $this->usual->isApart() &&
            $meets?->system === $this->usual->soilSystem &&
            $head->outlet?->fixture !== null &&
            ! $isCloset;
        if ($meets !== null && ! $isWasteIntoSoil) {
            return $meets->system;
        }

        return match (true) {
            $this->usual->isApart() && ($head->outlet?->kind === RunEndKind::Roof || $isCloset) => $this->usual
                ->soilSystem,
            $this->usual->isApart() => $this->usual->system,
            default => $this->job->runs[0]->system ?? $this->usual->system,
        };
    }

    private function size(End $outlet, string $system): string
    {
        $sizes = $this->catalogue->system($system)->sizes(withBends: true);
        $wanted = match (true) {
            $outlet->fixture !== null => $this->fixtureSize($outlet->fixture->kind),
            $outlet->branch !== null => $this->ventSize($outlet->branch->run),
            default => $this->usual->drainSize,
        };
        foreach ($sizes as $size) {
            if (Nominal::mm($size) >= Nominal::mm($wanted) - Tolerance::NOMINAL_MM) {
                return $size;
            }
        }

        return $sizes[count($sizes) - 1] ?? $wanted;
    }

    /** As its trap, from the least that is usual. */
    private function fixtureSize(FixtureKind $kind): string
    {
        $trap = $this->catalogue->fixtures()->load($kind, $this->job->rulebook)->trapSize ?? '2';

        $least = $this->usual->fixtureSizeLeast;

        return Nominal::mm($trap) < Nominal::mm($least) ? $least : $trap;
    }

    /** As the drain, up to the most that is usual. */
    private function ventSize(string $run): string
    {
        $drain = $this->job->run($run)->size ?? $this->usual->ventSizeMost;

        return Nominal::mm($drain) > Nominal::mm($this->usual->ventSizeMost) + Tolerance::NOMINAL_MM
            ? $this->usual->ventSizeMost
            : $drain;
    }

    private function freeId(string $name): string
    {
        $base = trim((string) preg_replace('/[^a-z0-9]+/', '-', mb_strtolower($name)), '-');

        return Ids::free(
            ctype_alpha($base[0] ?? '') ? $base : trim("run-{$base}", '-'),
            $this->job->takenRunIds(),
        );
    }

    /** @return list<array{string, int}> phrases with where they begin, in characters */
    private static function parts(string $text): array
    {
        $split = preg_split('~(?:\s+/(?=\s|$)|[;\n\r]+)~u', $text, -1, PREG_SPLIT_OFFSET_CAPTURE);
        $parts = [];
        foreach ($split === false ? [] : $split as [$part, $bytes]) {
            if (trim($part) !== '') {
                $parts[] = [$part, mb_strlen(substr($text, 0, $bytes))];
            }
        }

        return $parts;
    }
}
