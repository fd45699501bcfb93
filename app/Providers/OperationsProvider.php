<?php

declare(strict_types=1);

namespace App\Providers;

use App\Operations\Readiness;
use App\Operations\StatusReport;
use App\People\SignedInSessions;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Foundation\Console\AboutCommand;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\ServiceProvider;

/** How the application is kept: its sessions, and what `php artisan about` says of it. */
final class OperationsProvider extends ServiceProvider
{
    public function boot(): void
    {
        Session::extend('signed-in', static function (Application $app): SignedInSessions {
            $minutes = config('session.lifetime');

            return new SignedInSessions(DB::connection(), 'sessions', is_int($minutes) ? $minutes : 0, $app);
        });
        AboutCommand::add('Fall Bend', self::about(...));
    }

    /** @return array<string, string> */
    private static function about(): array
    {
        $said = ['Version' => is_string(config('app.version')) ? config('app.version') : ''];
        foreach (Readiness::now()['checks'] as $name => ['ok' => $ok, 'says' => $says]) {
            $said[ucfirst($name)] = ($ok ? '' : 'NOT READY: ').$says;
        }
        foreach (StatusReport::gauges() as $name => $value) {
            $said[ucfirst(str_replace(['fall_bend_', '_'], ['', ' '], $name))] = (string) $value;
        }

        return $said;
    }
}
