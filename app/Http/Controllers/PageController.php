<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Build;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** The one page of the interface: every address that is not the server's is its own. */
final readonly class PageController
{
    /** What every page loads as soon as it runs: what the device keeps. */
    private const ALWAYS = 'deviceAnswers';

    /** Stations of a job whose folder is not called as they are in an address. */
    private const FOLDERS = ['make-up' => 'makeup', 'glue-up' => 'glueup'];

    public function __invoke(Request $request): View
    {
        return view('app', ['preloads' => Build::read()->scriptsOf(self::shownFirst($request))]);
    }

    /**
     * What an address shows is fetched beside what every page is made of, and not after it.
     *
     * @return list<string>
     */
    private static function shownFirst(Request $request): array
    {
        if (! $request->is('jobs/*')) {
            return [self::ALWAYS, ...$request->is('/') ? ['board'] : []];
        }
        $named = $request->segment(5) ?? 'route';
        $isHouse = $named === 'route' && $request->query('view', 'run') !== 'run';
        $station = $isHouse ? 'house' : self::FOLDERS[$named] ?? $named;

        return [self::ALWAYS, 'job', $station];
    }
}
