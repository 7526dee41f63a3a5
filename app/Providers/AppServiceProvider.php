<?php

declare(strict_types=1);

namespace App\Providers;

use App\Account\SignIns;
use App\Classroom\SchoolClasses;
use App\Http\WholeSessions;
use App\Live\Hub;
use App\Live\Streams;
use App\Mail\OutboxTransport;
use App\Models\Block;
use App\Models\Comment;
use App\Models\Folder;
use App\Models\HandOut;
use App\Models\HandOutCopy;
use App\Models\HandOver;
use App\Models\Idea;
use App\Models\MapRecord;
use App\Models\Person;
use App\Models\PublishedPage;
use App\Models\Pupil;
use App\Models\SchoolClass;
use App\Models\Share;
use App\Models\Upload;
use App\Models\ViewingLink;
use App\Policies\BlockPolicy;
use App\Policies\CommentPolicy;
use App\Policies\FolderPolicy;
use App\Policies\HandOutCopyPolicy;
use App\Policies\HandOutPolicy;
use App\Policies\HandOverPolicy;
use App\Policies\IdeaPolicy;
use App\Policies\MapPolicy;
use App\Policies\PublishedPagePolicy;
use App\Policies\PupilPolicy;
use App\Policies\SchoolClassPolicy;
use App\Policies\SharePolicy;
use App\Policies\UploadPolicy;
use App\Policies\ViewingLinkPolicy;
use App\Publishing\PageFiles;
use App\Store\MapStates;
use App\Store\PartedCache;
use App\Store\Sqlite\ImmediateConnector;
use ChalkTree\Picture\DrawingBox;
use Closure;
use Illuminate\Auth\Events\Login;
use Illuminate\Auth\Notifications\ResetPassword;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Mail\Events\MessageSending;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Symfony\Component\Mime\Address;

use function Illuminate\Support\defer;

/** Wires the few things that Laravel cannot guess. */
final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->bind('db.connector.sqlite', ImmediateConnector::class);
        $this->app->scoped(MapStates::class);
        $this->app->singleton(DrawingBox::class, fn (): DrawingBox => new DrawingBox(public_path('drawings'), base_path('packages/drawings/words.php')));
        $this->app->when(PartedCache::class)->needs(Repository::class)->give(fn (): Repository => Cache::store(Config::string('cache.snapshots')));
    }

    public function boot(): void
    {
        Model::shouldBeStrict();
        Gate::policy(MapRecord::class, MapPolicy::class);
        Gate::policy(Upload::class, UploadPolicy::class);
        Gate::policy(PublishedPage::class, PublishedPagePolicy::class);
        Gate::policy(HandOver::class, HandOverPolicy::class);
        Gate::policy(Folder::class, FolderPolicy::class);
        Gate::policy(Share::class, SharePolicy::class);
        Gate::policy(ViewingLink::class, ViewingLinkPolicy::class);
        Gate::policy(Block::class, BlockPolicy::class);
        Gate::policy(Comment::class, CommentPolicy::class);
        Gate::policy(HandOut::class, HandOutPolicy::class);
        Gate::policy(HandOutCopy::class, HandOutCopyPolicy::class);
        Gate::policy(Idea::class, IdeaPolicy::class);
        Gate::policy(Pupil::class, PupilPolicy::class);
        Gate::policy(SchoolClass::class, SchoolClassPolicy::class);
        Session::extend('file', fn (): WholeSessions => new WholeSessions(File::getFacadeRoot(), Config::string('session.files'), Config::integer('session.lifetime')));
        // A page shows its map as it is: what is kept of it goes as soon as the map is another.
        MapRecord::saved(fn (MapRecord $map) => DB::afterCommit(fn () => app(PageFiles::class)->forgetMap($map->id)));
        $this->tellOpenMaps();
        Event::listen(Login::class, fn (Login $login) => $login->user instanceof Person ? app(SignIns::class)->login(request(), $login->user) : null);
        // Pupils have no address to which anything could go.
        Event::listen(MessageSending::class, fn (MessageSending $sending): ?bool => array_filter($sending->message->getTo(), fn (Address $to): bool => str_ends_with($to->getAddress(), SchoolClasses::NO_ADDRESS)) === [] ? null : false);
        Mail::extend('outbox', fn (): OutboxTransport => new OutboxTransport);
        // Not from the request's host, which whoever asks can make up.
        ResetPassword::createUrlUsing(fn (Person $person, string $token): string => rtrim((string) config('app.url'), '/').'/reset-password?'.http_build_query(['token' => $token, 'email' => $person->email]));
        $proxies = config('chalk.trusted_proxies');
        if (is_string($proxies) && $proxies !== '') {
            TrustProxies::at($proxies === '*' ? '*' : array_map(trim(...), explode(',', $proxies)));
        }
        Vite::createAssetPathsUsing(fn (string $path): string => "/{$path}");
        // By address only: the body is not read before this. AccountController bounds tries at one account.
        RateLimiter::for('account', fn (Request $request): Limit => self::limit(60, 'account '.$request->ip()));
        // What the web server sends by itself is not counted.
        RateLimiter::for('published', fn (Request $request): Limit => self::limit(300, 'published '.$request->ip()));
        RateLimiter::for('work', fn (Request $request): Limit => self::limit(3000, 'work '.$request->user()?->getAuthIdentifier()));
        // Sentences follow each other every few seconds.
        RateLimiter::for('speech', fn (Request $request): Limit => self::limit(200, 'speech '.$request->user()?->getAuthIdentifier()));
        RateLimiter::for('letters', fn (Request $request): Limit => config('chalk.limits') === true ? Limit::perHour(40)->by('letters '.$request->user()?->getAuthIdentifier()) : Limit::none());
        RateLimiter::for('heavy', fn (Request $request): Limit => self::limit(120, 'heavy '.$request->user()?->getAuthIdentifier()));
    }

    /** Whoever has a map open is told what is new in it, and no longer told once somebody's rights are others; when nobody waits any more. */
    private function tellOpenMaps(): void
    {
        $later = fn (string $name, Closure $tell) => app(Hub::class)->isThere() ? DB::afterCommit(fn () => defer($tell, $name)) : null;
        MapRecord::saved(fn (MapRecord $map) => $later("tell {$map->id}", fn () => app(Streams::class)->tell($map->id)));
        foreach (['saved', 'deleted'] as $when) {
            Share::$when(fn (Share $share) => $later("tell of {$share->owner_id}", fn () => app(Streams::class)->tellOf($share->owner_id)));
            Folder::$when(fn (Folder $folder) => $later("tell of {$folder->person_id}", fn () => app(Streams::class)->tellOf($folder->person_id)));
        }
    }

    private static function limit(int $perMinute, string $by): Limit
    {
        return config('chalk.limits') ? Limit::perMinute($perMinute)->by($by) : Limit::none();
    }
}
