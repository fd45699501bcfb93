<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\CallOut\Phrase;
use FallBend\Core\CallOut\PipeWords;
use FallBend\Core\CallOut\RunReader;
use FallBend\Core\CallOut\Unread;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\Run;

/**
 * Makes a job of what was answered to a start: its standing pipes, runs and joints, one after the other, as its file
 * lists them.
 */
final readonly class StartMaker
{
    private JobFile $file;

    public function __construct(private Catalogue $catalogue)
    {
        $this->file = new JobFile($catalogue);
    }

    /**
     * Takes the answers as they were typed, and an empty job with its name, units and rulebook. A field that is not
     * among the answers has what stands there at first.
     *
     * @param array<string, string> $values by id of the field
     *
     * @throws BadInput if the file of the start is damaged
     */
    public function make(Start $start, array $values, Job $empty): MadeStart
    {
        $pipes = PipeWords::of($empty, $this->catalogue);
        $said = new Said($start->fields, $values, $empty->units, $this->catalogue, $pipes);
        if ($said->problems !== []) {
            return new MadeStart(null, $said->problems, $said->later());
        }
        [$job, $stands] = [$empty, []];
        foreach ($start->makes as $made) {
            $fields = Fields::of($made);
            if (! $said->holds($fields->stringOr('if', '', 200))) {
                continue;
            }
            $next = $this->with($job, $fields, $said);
            if ($next === null) {
                return new MadeStart(null, $said->problems, $said->later());
            }
            $job = $next;
            if ($fields->bool('stands', false)) {
                $stands[] = $job->runs[count($job->runs) - 1]->id ?? '';
            }
        }

        return new MadeStart($job, [], $said->later(), $stands);
    }

    private function with(Job $job, Fields $made, Said $said): ?Job
    {
        return match ($made->choice('makes', ['standing', 'run', 'joint', 'obstacle', 'move'])) {
            'standing' => $this->standing($job, $made, $said),
            'joint' => $this->document($job, 'single_joints', self::filled($made->child('joint')->all(), $said)),
            'obstacle' => $this->document($job, 'obstacles', self::filled($made->child('obstacle')->all(), $said)),
            'move' => $this->document($job, 'moves', self::filled($made->child('move')->all(), $said)),
            default => $this->run($job, $made, $said),
        };
    }

    private function standing(Job $job, Fields $made, Said $said): Job
    {
        return $this->document($job, 'standing', self::filled($made->child('standing')->all(), $said) + [
            'how' => 'told',
            'fixed' => true,
        ]);
    }

    /** A run as its line says it; what stands at its ends, and where it lies, come with it. */
    private function run(Job $job, Fields $made, Said $said): ?Job
    {
        $line = $said->filled($made->string('line', 400));
        if ($said->problems !== []) {
            return null;
        }
        ['run' => $run, 'phrases' => $phrases] = (new RunReader($job, $this->catalogue))->read($line);
        if (! $run instanceof Run) {
            $said->problems[''] = self::unread($phrases);

            return null;
        }
        $document = $this->file->document($job->withRuns([...$job->runs, $run]));
        $runs = $document['runs'];
        if (is_array($runs)) {
            $last = count($runs) - 1;
            $runs[$last] = self::filled($made->has('with') ? $made->child('with')->all() : [], $said) +
                (is_array($runs[$last]) ? $runs[$last] : []);
        }
        $laid = $this->again(['runs' => $runs] + $document);

        return match (true) {
            $made->bool('rolled', false) => RolledBranch::laid($laid, $run->id, $this->catalogue),
            $made->bool('meets', false) => MetRun::met($laid, $run->id, $this->catalogue),
            default => $laid,
        };
    }

    /**
     * Fills every text of a part of a job file; a number is written as `{=field}`, see `Said::sum`. What was left to be
     * measured later is left out.
     *
     * @param array<array-key, mixed> $values
     * @return array<array-key, mixed>
     */
    private static function filled(array $values, Said $said): array
    {
        $filled = array_map(static function (mixed $value) use ($said): mixed {
            if (is_array($value)) {
                return self::filled($value, $said);
            }
            if (is_string($value) && preg_match('/^\{=([a-z0-9_+-]+)\}$/', $value, $m) === 1) {
                return $said->isLater($m[1]) ? null : $said->sum($m[1]);
            }

            return is_string($value) ? $said->filled($value) : $value;
        }, $values);

        return array_filter($filled, static fn (mixed $value): bool => $value !== null);
    }

    /** @param array<array-key, mixed> $one */
    private function document(Job $job, string $list, array $one): Job
    {
        $document = $this->file->document($job);
        $all = is_array($document[$list] ?? null) ? $document[$list] : [];

        return $this->again([$list => [...$all, $one]] + $document);
    }

    /**
     * Reads a document that was written and changed.
     *
     * @param array<string, mixed> $document
     */
    private function again(array $document): Job
    {
        return $this->file->parse(json_encode($document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }

    /** @param list<Phrase> $phrases */
    private static function unread(array $phrases): string
    {
        $unread = array_merge([], ...array_map(static fn (Phrase $phrase): array => $phrase->unread, $phrases));

        return implode(' ', array_map(static fn (Unread $one): string => $one->message, $unread));
    }
}
