<?php

declare(strict_types=1);

namespace Tests\Support;

use Illuminate\Foundation\Testing\RefreshDatabaseState;

/**
 * Fresh tables for a test that commits for real, so that other processes see its rows. Nothing is rolled back
 * afterwards, since
 * migrations refuse to take out tables that hold jobs: whatever test comes next makes its tables afresh.
 */
trait FreshTables
{
    protected function setUpFreshTables(): void
    {
        $this->command('migrate:fresh')->run();
        RefreshDatabaseState::$migrated = false;
    }
}
