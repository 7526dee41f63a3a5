<?php

declare(strict_types=1);

namespace App\Store\Sqlite;

use Illuminate\Database\Connectors\SQLiteConnector;
use PDO;

/** Laravel's connector to SQLite, but for the kind of its transactions. */
final class ImmediateConnector extends SQLiteConnector
{
    /**
     * @param  string  $dsn
     * @param  string|null  $username
     * @param  string|null  $password
     * @param  array<int, mixed>  $options
     */
    protected function createPdoConnection($dsn, #[\SensitiveParameter] $username, #[\SensitiveParameter] $password, $options): PDO
    {
        return new ImmediatePdo($dsn, $username, $password, $options);
    }
}
