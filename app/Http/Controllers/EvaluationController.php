<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\LayOut;
use FallBend\Core\Buying\Materials;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Cutting\JobCutting;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Evaluation\JointCard;
use FallBend\Core\Hanging\RunHanging;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\GroupCopy;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\Marks;
use FallBend\Core\MakeUp\RunClosing;
use FallBend\Core\MakeUp\RunMakeUp;
use FallBend\Core\MakeUp\RunOrder;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\TapeReader;
use FallBend\Core\Measure\Units;
use FallBend\Core\Measure\UnreadableLength;
use FallBend\Core\Reckon\Reckoners;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The one evaluation end-point, and the single reckoners. Both read the body themselves: an empty text is a text here. */
final readonly class EvaluationController
{
    public function evaluate(Request $request, JobFile $file, JobEvaluator $evaluator, LayOut $layOut): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $job = $layOut->job($body);
        $callOut = $body->childOrNull('call_out');
        $said = $callOut === null ? null : ['run' => $callOut->string('run', 40), 'text' => $callOut->stringOr('text', '', 20_000)];
        $callOut?->end();
        $body->end();
        $evaluated = $evaluator->evaluate($job, $said, $layOut->own($request));

        return new JsonResponse(['document' => $file->document($evaluated['job']), 'evaluation' => $evaluated['evaluation']]);
    }

    /** A run with all that meets it once more, or several times more. */
    public function repeat(Request $request, JobFile $file, JobEvaluator $evaluator, LayOut $layOut): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $job = $layOut->job($body);
        $run = LayOut::runOf($body, $job);
        $copied = GroupCopy::of($job, $run, $body->number('step_mm', -100_000, 100_000), $body->int('times', 1, 50), $body->bool('mirrored', false));
        $body->end();
        $evaluated = $evaluator->evaluate($copied, null, $layOut->own($request));

        return new JsonResponse(['document' => $file->document($evaluated['job']), 'evaluation' => $evaluated['evaluation']]);
    }

    /** The ways of making up the pipe between two ends of a run. */
    public function makeUp(Request $request, JobFile $file, Catalogue $catalogue, LayOut $layOut, Effort $effort): JsonResponse
    {
        $body = Fields::of($request->json()->all());

        return new JsonResponse((new RunMakeUp($catalogue, $file))->answer($layOut->job($body), $body, $layOut->own($request), $effort));
    }

    /** In what order a run goes together where its ends stand. */
    public function order(Request $request, LayOut $layOut, Effort $effort): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        [, $layout, $own] = $layOut->run($request, $body);
        $body->end();

        return new JsonResponse(['order' => RunOrder::of($layout)?->toArray($effort), 'closing' => (new RunClosing($layout, $own))->toArray()]);
    }

    /** Where a run is hung, and what hangs between two hangers. */
    public function hang(Request $request, LayOut $layOut): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        [$job, $layout, $own, $book] = $layOut->run($request, $body);
        $body->end();

        return new JsonResponse((new RunHanging($layout, $job, $own, $book))->toArray());
    }

    /** What is to be cut now, and from which sticks. */
    public function cut(Request $request, LayOut $layOut, Effort $effort): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        [$job, $layout, $own] = $layOut->wholeJob($request, $body);
        $run = LayOut::runOf($body, $job);
        $body->end();

        return new JsonResponse((new JobCutting($layout, $job, $own, $effort))->ofRun($run));
    }

    /** All that the job takes, by shelf. */
    public function materials(Request $request, LayOut $layOut, Effort $effort): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        [$job, $layout, $own, $book] = $layOut->wholeJob($request, $body);
        $body->end();
        $rows = (new Materials($layout, $job, $own, $book, $effort))->rows();
        $prices = array_filter(array_column($rows, 'price'), static fn (?float $price): bool => $price !== null);

        return new JsonResponse(['rows' => $rows, 'total' => $prices === [] ? null : array_sum($prices)]);
    }

    /** Everything about one joint of a job. */
    public function joint(Request $request, Catalogue $catalogue, LayOut $layOut): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $card = new JointCard($catalogue, $layOut->job($body), $layOut->own($request));
        $answer = $body->has('single') ? $card->ofSingle($body->string('single', 40)) : $card->ofRun($body->string('run', 40), $body->string('joint', Marks::LONGEST_KEY));
        $body->end();

        return new JsonResponse($answer);
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

    public function reckon(Request $request, string $name, Reckoners $reckoners, Effort $effort): JsonResponse
    {
        abort_unless($reckoners->has($name), 404);

        return new JsonResponse($reckoners->reckonJson($name, $request->getContent(), $effort));
    }
}
