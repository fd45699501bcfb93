<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Question;
use App\Models\User;
use App\Questions\Allowance;
use App\Questions\Turn;
use Closure;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Reckon\Reckoners;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Heavy questions wait for their turn, and have a bounded time and memory once it has come. The asker may call one off
 * by
 * the key that it was asked with (header `Question-Key`).
 */
final readonly class InTurn
{
    private const HEADER = 'Question-Key';

    public function __construct(private Turn $turn) {}

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $reckoner = $request->route('name');
        if (is_string($reckoner) && ! in_array($reckoner, Reckoners::SEARCHING, true)) {
            return $next($request);
        }
        $key = $request->header(self::HEADER);
        $key = is_string($key) && preg_match('/^[\w-]{8,80}\z/', $key) === 1 ? $key : null;
        $seconds = $request->json('seconds');
        $given = is_int($seconds) || is_float($seconds) ? (float) $seconds : null;

        return $this->turn->take(User::asking($request), $key, static function (Question $question) use (
            $request,
            $next,
            $given,
        ): Response {
            app()->instance(
                Effort::class,
                Allowance::effort($given, static fn (): bool => Turn::isCalledOff($question)),
            );

            return $next($request);
        });
    }
}
