<?php

declare(strict_types=1);

namespace App\Answers;

use App\Evaluations\JobEvaluation;
use FallBend\Core\Report\JobParts;

/** The parts of an evaluated job that are wanted and say something else than what the asker has. */
final readonly class PartsAnswer
{
    /**
     * One answer carries about so much; what is left is asked for again. It keeps within the memory of a worker, and of
     * a phone.
     */
    private const MOST_BYTES = 3_000_000;

    /**
     * @return array{parts: string, later: string} JSON: the parts by name, and the names of those that are to be asked
     *     for again
     */
    public static function texts(JobEvaluation $job, Wanted $wanted): array
    {
        [$texts, $later, $bytes] = [[], [], 0];
        foreach ($job->names(array_keys($wanted->hashes)) as $name) {
            $text = $bytes > self::MOST_BYTES ? null : $job->text($name);
            if ($text === null) {
                $later[] = $name;

                continue;
            }
            $hash = JobParts::hash($text);
            if (($wanted->hashes[$name] ?? '') !== $hash) {
                $texts[] = json_encode($name, JSON_THROW_ON_ERROR).':{"hash":"'.$hash.'","value":'.$text.'}';
                $bytes += strlen($text);
            }
        }

        return ['parts' => '{'.implode(',', $texts).'}', 'later' => json_encode($later, JSON_THROW_ON_ERROR)];
    }
}
