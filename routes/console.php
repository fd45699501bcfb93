<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Schedule;

// What is due by the clock, on one of the servers. Commands stand in app/Console/Commands.
Schedule::command('jobs:forget-deleted')->hourly()->onOneServer();
Schedule::command('queue:prune-failed', ['--hours' => 24 * 30])->daily()->onOneServer();
Schedule::command('pictures:sweep')->weekly()->onOneServer();
Schedule::command('auth:clear-resets')->daily()->onOneServer();
