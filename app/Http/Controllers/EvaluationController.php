<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Evaluation\Tape;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Measure\TapeReader;
use FallBend\Core\Measure\Units;
use FallBend\Core\Measure\UnreadableLength;
use FallBend\Core\Reckon\Reckoners;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The one evaluation end-point, and the single reckoners. Both read the body themselves: an empty text is a text here. */
final readonly class EvaluationController
{
    public function evaluate(Request $request, JobFile $file, JobEvaluator $evaluator): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $document = $body->raw('document');
        $callOut = $body->childOrNull('call_out');
        $said = $callOut === null ? null : ['run' => $callOut->string('run', 40), 'text' => $callOut->stringOr('text', '', 20_000)];
        $callOut?->end();
        $body->end();
        $evaluated = $evaluator->evaluate($file->read(is_array($document) ? $document : []), $said);

        return new JsonResponse(['document' => $file->document($evaluated['job']), 'evaluation' => $evaluated['evaluation']]);
    }

    /** Reads one length as a tape says it. */
    public function length(Request $request): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $units = Units::from($body->choice('units', ['inch', 'mm']));
        try {
            return new JsonResponse((new Tape)->of((new TapeReader($units))->read($body->string('text', 60))->toMm()));
        } catch (UnreadableLength $unreadable) {
            throw BadInput::at('text', $unreadable->getMessage());
        }
    }

    public function reckon(Request $request, string $name, Reckoners $reckoners): JsonResponse
    {
        abort_unless($reckoners->has($name), 404);

        return new JsonResponse($reckoners->reckonJson($name, $request->getContent()));
    }
}
