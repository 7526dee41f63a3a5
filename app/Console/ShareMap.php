<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Share;
use App\Sharing\Role;
use App\Sharing\Shares;
use RuntimeException;

/** Lets somebody into a map or out of it, and prints who may open it. */
final class ShareMap extends MapCommand
{
    protected $signature = 'map:share {id : of the map} {email? : whom to let in; without one, who may open it is printed} {--role=edit : view, comment or edit} {--words= : for the letter} {--end : takes back what was given} {--owner=}';

    protected $description = 'Lets somebody into a map, or out of it; prints who may open it: role and address, a line each.';

    public function handle(Shares $shares): int
    {
        $map = $this->record();
        $email = mb_strtolower(trim($this->said('email')));
        if ($email !== '' && $this->option('end') === true) {
            $shares->end($shares->of($map)->where('email', $email)->first() ?? throw new RuntimeException("This map is not shared with {$email}."));
        } elseif ($email !== '') {
            if (filter_var($email, FILTER_VALIDATE_EMAIL) === false || strlen($email) > 200) {
                throw new RuntimeException('This is no e-mail address.');
            }
            $role = in_array($this->text('role'), Role::given(), true) ? Role::from((string) $this->text('role')) : throw new RuntimeException('A role is view, comment or edit.');
            $shares->give($this->owner(), $map, $email, $role, mb_substr((string) $this->text('words'), 0, 400));
        }
        foreach ($shares->of($map)->get()->sortBy('email') as $share) {
            /** @var Share $share */
            $this->line("{$share->role->value}\t{$share->email}");
        }

        return self::SUCCESS;
    }
}
