<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\CalendarController;
use App\Http\Controllers\ClassController;
use App\Http\Controllers\ClipboardController;
use App\Http\Controllers\CommentController;
use App\Http\Controllers\CompareController;
use App\Http\Controllers\DigestController;
use App\Http\Controllers\DraftController;
use App\Http\Controllers\FileController;
use App\Http\Controllers\FilterController;
use App\Http\Controllers\FindController;
use App\Http\Controllers\FolderController;
use App\Http\Controllers\HandOutController;
use App\Http\Controllers\HandOverController;
use App\Http\Controllers\HistoryController;
use App\Http\Controllers\IdeaController;
use App\Http\Controllers\LibraryController;
use App\Http\Controllers\LinkController;
use App\Http\Controllers\LookController;
use App\Http\Controllers\MapController;
use App\Http\Controllers\OpenIdController;
use App\Http\Controllers\PageController;
use App\Http\Controllers\PictureController;
use App\Http\Controllers\PublishedController;
use App\Http\Controllers\PupilController;
use App\Http\Controllers\SecurityController;
use App\Http\Controllers\SentenceController;
use App\Http\Controllers\ShareController;
use App\Http\Controllers\ShowController;
use App\Http\Controllers\SignController;
use App\Http\Controllers\SpeechController;
use App\Http\Controllers\StoryController;
use App\Http\Controllers\TableController;
use App\Http\Controllers\TrackController;
use Illuminate\Support\Facades\Route;

Route::prefix('api')->group(function (): void {
    Route::get('me', [AccountController::class, 'show']);
    Route::get('calendars/{address}.ics', [CalendarController::class, 'read'])->where('address', '[0-9a-f]{48}')->middleware('throttle:published');

    // Ideas from any phone that has the code: no account.
    Route::get('ideas/{code}', [IdeaController::class, 'ask'])->where('code', '[0-9a-zA-Z-]{1,40}')->middleware('throttle:published');
    Route::post('ideas/{code}', [IdeaController::class, 'send'])->where('code', '[0-9a-zA-Z-]{1,40}')->middleware(['body:small', 'throttle:published']);

    Route::middleware(['body:small', 'throttle:account'])->group(function (): void {
        Route::post('register', [AccountController::class, 'register']);
        Route::post('register/finish', [AccountController::class, 'finish']);
        Route::post('sign-in', [AccountController::class, 'signIn']);
        Route::post('sign-in/code', [AccountController::class, 'sayCode']);
        Route::post('confirm-address', [SecurityController::class, 'confirmAddress']);
        Route::get('openid', [OpenIdController::class, 'begin']);
        Route::get('openid/back', [OpenIdController::class, 'back']);
        Route::post('demo', [AccountController::class, 'demo']);
        Route::post('sign-out', [AccountController::class, 'signOut']);
        Route::post('forgot-password', [AccountController::class, 'forgot']);
        Route::post('reset-password', [AccountController::class, 'reset']);
        Route::post('join', [PupilController::class, 'join']);
    });

    Route::middleware(['auth', 'throttle:work'])->group(function (): void {
        Route::post('maps/import', [LibraryController::class, 'import'])->middleware(['account', 'body:file', 'throttle:heavy', 'alone:files']);
    });

    Route::post('maps/{map}/pictures', [PictureController::class, 'store'])->middleware(['auth', 'throttle:work', 'can:work,map', 'body:file', 'alone:files']);

    Route::post('maps/{map}/clip/document', [ClipboardController::class, 'document'])->middleware(['auth', 'throttle:work', 'can:work,map', 'throttle:heavy', 'body:file', 'alone:files']);

    Route::post('maps/{map}/beside/file', [CompareController::class, 'file'])->middleware(['auth', 'throttle:work', 'can:work,map', 'throttle:heavy', 'body:file', 'alone:files']);
    Route::post('maps/{map}/draft/returned', [StoryController::class, 'returned'])->middleware(['auth', 'throttle:work', 'can:work,map', 'throttle:heavy', 'body:file', 'alone:files']);
    Route::post('maps/{map}/notes/read', [StoryController::class, 'readText'])->middleware(['auth', 'throttle:work', 'can:work,map', 'body:file', 'alone:files']);
    Route::post('maps/{map}/table/file', [TableController::class, 'look'])->middleware(['auth', 'throttle:work', 'can:work,map', 'throttle:heavy', 'body:file', 'alone:files']);
    Route::put('uploads/{upload}/{at}', [FileController::class, 'piece'])->where('at', '[0-9]{1,12}')->middleware(['auth', 'throttle:work', 'can:send,upload', 'body:file']);

    // One's own account; passwords and codes can be tried no more often than at the door.
    Route::middleware(['auth', 'account', 'throttle:account', 'body:small'])->prefix('me')->controller(SecurityController::class)->group(function (): void {
        Route::get('account', 'show');
        Route::put('name', 'name');
        Route::put('address', 'address')->middleware('throttle:letters');
        Route::put('password', 'password');
        Route::post('two-factor', 'beginTwoFactor');
        Route::put('two-factor', 'confirmTwoFactor');
        Route::delete('two-factor', 'endTwoFactor');
        Route::post('recovery', 'renewCodes');
        Route::delete('sign-ins', 'endOthers');
        Route::delete('sign-ins/{signIn}', 'end');
        Route::get('data', 'data')->middleware(['throttle:heavy', 'alone:files']);
        Route::delete('', 'remove');
    });

    Route::middleware(['auth', 'throttle:work', 'body'])->group(function (): void {
        Route::put('me/keys', [AccountController::class, 'keys']);
        Route::put('me/face', [AccountController::class, 'face']);
        Route::put('me/zone', [AccountController::class, 'zone']);
        Route::put('me/calm', [AccountController::class, 'calm']);
        Route::get('maps', [LibraryController::class, 'index']);
        Route::post('maps', [LibraryController::class, 'store'])->middleware('account');

        Route::get('looks', [LookController::class, 'named']);
        Route::get('chalks/{colour}', [LookController::class, 'chalk'])->where('colour', '[0-9a-f]{6}');
        Route::get('kinds', [TrackController::class, 'kinds']);
        Route::get('reminders', [TrackController::class, 'reminders']);
        Route::get('stamps', [SignController::class, 'stamps']);
        Route::get('speech', [SpeechController::class, 'voices']);
        Route::post('speech', [SpeechController::class, 'speak'])->middleware('throttle:speech');
        Route::get('drawings', [PictureController::class, 'drawings']);
        Route::get('starters', [LibraryController::class, 'starters']);
        Route::get('starters/{starter}/picture', [LibraryController::class, 'starterPicture'])->where('starter', '[a-z0-9-]{1,40}');
        Route::delete('trash', [LibraryController::class, 'emptyTrash']);

        Route::post('uploads', [FileController::class, 'begin']);
        Route::get('uploads/{upload}', [FileController::class, 'progress'])->can('send', 'upload');
        Route::delete('uploads/{upload}', [FileController::class, 'stop'])->can('send', 'upload');

        Route::post('folders', [FolderController::class, 'store'])->middleware('account');
        Route::patch('folders/{folder}', [FolderController::class, 'update'])->can('keep', 'folder');
        Route::delete('folders/{folder}', [FolderController::class, 'destroy'])->can('keep', 'folder');

        Route::get('folders/{folder}/shares', [ShareController::class, 'ofFolder'])->can('keep', 'folder');
        Route::post('folders/{folder}/shares', [ShareController::class, 'shareFolder'])->can('keep', 'folder')->middleware('throttle:letters');
        Route::patch('shares/{share}', [ShareController::class, 'change'])->can('change', 'share');
        Route::delete('shares/{share}', [ShareController::class, 'end'])->can('end', 'share');
        Route::delete('links/{link}', [ShareController::class, 'withdraw'])->can('keep', 'link');
        Route::post('links/{link}/letter', [ShareController::class, 'sendLink'])->can('keep', 'link')->middleware('throttle:letters');
        Route::post('asks', [ShareController::class, 'ask'])->middleware(['account', 'throttle:letters']);
        Route::get('blocks', [ShareController::class, 'blocks']);
        Route::post('blocks', [ShareController::class, 'block'])->middleware('account');
        Route::delete('blocks/{block}', [ShareController::class, 'unblock'])->can('keep', 'block');

        Route::get('quick', [FindController::class, 'quick']);
        Route::post('meant', [FindController::class, 'meant'])->middleware('alone:search');
        Route::middleware('can:fetch,handOver')->group(function (): void {
            Route::get('handovers/{handOver}', [HandOverController::class, 'show']);
            Route::get('handovers/{handOver}/file', [HandOverController::class, 'file']);
            Route::get('handovers/{handOver}/pages/{page}', [HandOverController::class, 'page'])->where('page', '[1-9][0-9]{0,3}')->middleware('alone:pictures');
            Route::delete('handovers/{handOver}', [HandOverController::class, 'stop']);
        });
        Route::middleware('can:keep,published')->group(function (): void {
            Route::patch('published/{published}', [PublishedController::class, 'update']);
            Route::delete('published/{published}', [PublishedController::class, 'destroy']);
        });
        Route::post('find', [FindController::class, 'everywhere'])->middleware(['throttle:heavy', 'alone:search']);
        Route::post('replace', [FindController::class, 'replace'])->middleware(['throttle:heavy', 'alone:search']);

        Route::patch('maps/{map}', [LibraryController::class, 'update'])->can('own', 'map');
        Route::delete('maps/{map}', [LibraryController::class, 'trash'])->can('keep', 'map');
        Route::post('maps/{map}/restore', [LibraryController::class, 'restore'])->can('keep', 'map');
        Route::get('maps/{map}/picture', [LibraryController::class, 'picture'])->can('glance', 'map');

        // Who only looks at a map has what may leave it.
        Route::middleware('can:read,map')->group(function (): void {
            Route::get('maps/{map}', [MapController::class, 'show']);
            Route::get('maps/{map}/edits', [MapController::class, 'news']);
            Route::get('maps/{map}/stream', [MapController::class, 'stream']);
            Route::put('maps/{map}/here', [MapController::class, 'here']);
            Route::delete('maps/{map}/here', [MapController::class, 'leave']);
            Route::put('maps/{map}/view', [MapController::class, 'look']);
            Route::put('maps/{map}/place', [MapController::class, 'place']);
            Route::post('maps/{map}/find', [FindController::class, 'inMap'])->middleware('alone:search');
            Route::post('maps/{map}/filter', [FilterController::class, 'ask']);
            Route::post('maps/{map}/filter/among', [FilterController::class, 'among']);
            Route::post('maps/{map}/copy', [ClipboardController::class, 'copy']);
            Route::get('maps/{map}/card', [LinkController::class, 'card']);
            Route::get('maps/{map}/topics/{topic}/card', [LinkController::class, 'card'])->where('topic', '[0-9a-z]{26}');
            Route::get('maps/{map}/legend', [SignController::class, 'legend']);
            Route::get('maps/{map}/sentences.{format}', [SentenceController::class, 'file'])->where('format', 'txt|csv');
            Route::get('maps/{map}/pictures/{hash}/{size}', [PictureController::class, 'show'])->where(['hash' => '[0-9a-f]{64}', 'size' => 'small|large|original']);
            Route::get('maps/{map}/files/{hash}', [FileController::class, 'show'])->where('hash', '[0-9a-f]{64}');
            Route::get('maps/{map}/files/{hash}/preview', [FileController::class, 'preview'])->where('hash', '[0-9a-f]{64}');
            Route::post('maps/{map}/duplicate', [LibraryController::class, 'duplicate'])->middleware(['account', 'throttle:heavy', 'alone:files']);
            Route::post('maps/{map}/handovers', [HandOverController::class, 'begin'])->middleware('throttle:heavy');
            Route::get('maps/{map}/plan', [HandOverController::class, 'plan'])->middleware('alone:plans');
            Route::get('maps/{map}/export', [LibraryController::class, 'export'])->middleware(['throttle:heavy', 'alone:pictures']);
            Route::controller(ShowController::class)->where(['deck' => '[0-9a-z]{26}', 'slide' => '[0-9a-z]{26}'])->prefix('maps/{map}/decks/{deck}')->group(function (): void {
                Route::get('', 'deck');
                Route::get('slides/{slide}', 'slide');
                Route::get('slides/{slide}/afar', 'afar');
                Route::get('slides/{slide}/picture', 'picture');
            });
            Route::get('maps/{map}/shares', [ShareController::class, 'index']);
            Route::post('maps/{map}/take', [ShareController::class, 'take'])->middleware('account');
            Route::get('maps/{map}/hand-out', [PupilController::class, 'ofMap']);
        });
        Route::middleware('can:comment,map')->controller(CommentController::class)->group(function (): void {
            Route::get('maps/{map}/comments', 'index');
            Route::post('maps/{map}/comments', 'store');
            Route::put('maps/{map}/comments/seen', 'seen');
        });
        Route::patch('comments/{comment}', [CommentController::class, 'change'])->can('change', 'comment');
        Route::put('comments/{comment}/resolved', [CommentController::class, 'resolve'])->can('resolve', 'comment');
        Route::delete('comments/{comment}', [CommentController::class, 'remove'])->can('remove', 'comment');
        Route::get('told', [CommentController::class, 'told']);
        Route::put('ideas/{idea}', [IdeaController::class, 'decide'])->can('decide', 'idea');

        Route::get('pupil', [PupilController::class, 'desk']);
        Route::put('copies/{copy}/in', [PupilController::class, 'handIn'])->can('handIn', 'copy');
        Route::middleware('account')->group(function (): void {
            Route::get('classes', [ClassController::class, 'index']);
            Route::post('classes', [ClassController::class, 'store']);
        });
        Route::middleware('can:keep,schoolClass')->prefix('classes/{schoolClass}')->group(function (): void {
            Route::get('', [ClassController::class, 'show']);
            Route::patch('', [ClassController::class, 'update']);
            Route::delete('', [ClassController::class, 'destroy']);
            Route::post('pupils', [ClassController::class, 'add']);
            Route::get('archive', [ClassController::class, 'archive'])->middleware(['throttle:heavy', 'alone:files']);
            Route::post('hand-outs', [HandOutController::class, 'store'])->middleware(['throttle:heavy', 'alone:files']);
        });
        Route::patch('pupils/{pupil}', [ClassController::class, 'change'])->can('keep', 'pupil');
        Route::delete('pupils/{pupil}', [ClassController::class, 'remove'])->can('keep', 'pupil');
        Route::middleware('can:keep,handOut')->prefix('hand-outs/{handOut}')->controller(HandOutController::class)->group(function (): void {
            Route::get('', 'show');
            Route::patch('', 'update');
            Route::delete('', 'destroy');
            Route::post('parts', 'give')->middleware('throttle:heavy');
            Route::post('words', 'say');
            Route::get('table.csv', 'csv');
            Route::get('over', 'over')->middleware('alone:files');
        });
        Route::middleware('can:keep,copy')->prefix('copies/{copy}')->controller(HandOutController::class)->group(function (): void {
            Route::put('state', 'setState');
            Route::put('marks', 'mark');
            Route::put('shown', 'showToAll')->middleware('throttle:heavy');
        });
        Route::middleware('can:own,map')->group(function (): void {
            Route::get('maps/{map}/calendar', [CalendarController::class, 'show']);
            Route::post('maps/{map}/calendar', [CalendarController::class, 'make']);
            Route::delete('maps/{map}/calendar', [CalendarController::class, 'withdraw']);
            Route::delete('maps/{map}/files/{hash}', [FileController::class, 'forget'])->where('hash', '[0-9a-f]{64}');
            Route::delete('maps/{map}/trash', [HistoryController::class, 'emptyTrash']);
            Route::get('maps/{map}/published', [PublishedController::class, 'index']);
            Route::post('maps/{map}/published', [PublishedController::class, 'store'])->middleware('throttle:heavy');
            Route::get('maps/{map}/links', [ShareController::class, 'links']);
            Route::post('maps/{map}/links', [ShareController::class, 'makeLink'])->middleware('throttle:heavy');
            Route::post('maps/{map}/shares', [ShareController::class, 'share'])->middleware('throttle:letters');
            Route::put('maps/{map}/offer', [ShareController::class, 'offer'])->middleware('throttle:letters');
            Route::delete('maps/{map}/asks/{asking}', [ShareController::class, 'decline'])->where('asking', '[0-9]{1,15}');
        });
        Route::middleware('can:work,map')->group(function (): void {
            Route::post('maps/{map}/edits', [MapController::class, 'edit']);
            Route::post('maps/{map}/rehearsal', [MapController::class, 'rehearse']);
            Route::post('maps/{map}/tries', [MapController::class, 'tries']);
            Route::get('maps/{map}/topics/{topic}/look', [MapController::class, 'why'])->where('topic', '[0-9a-z]{26}');
            Route::post('maps/{map}/clip', [ClipboardController::class, 'read'])->middleware(['throttle:heavy', 'alone:files']);
            Route::post('maps/{map}/clip/picture', [ClipboardController::class, 'picture']);
            Route::get('maps/{map}/topics/{topic}/facts', [TrackController::class, 'facts'])->where('topic', '[0-9a-z]{26}');
            Route::get('maps/{map}/topics/{topic}/digest', [DigestController::class, 'show'])->where('topic', '[0-9a-z]{26}')->middleware('alone:search');
            Route::get('maps/{map}/topics/{topic}/digest/copy', [DigestController::class, 'copy'])->where('topic', '[0-9a-z]{26}')->middleware('alone:search');
            Route::post('maps/{map}/topics/{topic}/digest/letter', [DigestController::class, 'send'])->where('topic', '[0-9a-z]{26}')->middleware(['throttle:letters', 'alone:search']);
            Route::get('maps/{map}/todos', [TrackController::class, 'todos']);
            Route::delete('maps/{map}/topics/{topic}/reminder', [TrackController::class, 'putAway'])->where('topic', '[0-9a-z]{26}');
            Route::get('maps/{map}/rules', [TrackController::class, 'rules']);
            Route::post('maps/{map}/hits', [TrackController::class, 'hits'])->middleware('alone:search');
            Route::get('maps/{map}/draft', [DraftController::class, 'show']);
            Route::get('maps/{map}/draft/days', [DraftController::class, 'days']);
            Route::controller(StoryController::class)->prefix('maps/{map}')->group(function (): void {
                Route::get('draft/hand', 'hand');
                Route::get('draft/threads', 'threads');
                Route::get('draft/shape', 'shape');
                Route::post('passages', 'passages')->middleware('alone:search');
                Route::get('draft/checks', 'checks');
                Route::get('draft/threads.{format}', 'threadsFile')->where('format', 'csv|svg|png')->middleware('alone:pictures');
                Route::get('draft/shape.{format}', 'shapeFile')->where('format', 'csv|svg|png')->middleware('alone:pictures');
                Route::get('topics/{topic}/reading', 'reading')->where('topic', '[0-9a-z]{26}');
            });
            Route::post('maps/{map}/draft/words', [DraftController::class, 'words']);
            Route::get('maps/{map}/wordings/{wording}', [DraftController::class, 'wording'])->where('wording', '[0-9a-z]{26}')->middleware('alone:search');
            Route::post('maps/{map}/table', [TableController::class, 'show']);
            Route::get('maps/{map}/table/file', [TableController::class, 'file'])->middleware('alone:files');
            Route::get('maps/{map}/topics/{topic}/pointing', [LinkController::class, 'pointing'])->where('topic', '[0-9a-z]{26}');
            Route::post('maps/{map}/topics/{topic}/own-map', [LibraryController::class, 'part'])->where('topic', '[0-9a-z]{26}')->middleware(['account', 'throttle:heavy', 'alone:files']);
            Route::post('maps/{map}/pages', [LinkController::class, 'page'])->middleware(['throttle:heavy', 'alone:pages']);
            Route::get('maps/{map}/sentences', [SentenceController::class, 'index']);
            Route::get('maps/{map}/files', [FileController::class, 'index']);
            Route::post('maps/{map}/files', [FileController::class, 'store'])->middleware('alone:taking');
            Route::get('maps/{map}/history', [HistoryController::class, 'index']);
            Route::put('maps/{map}/history/{seq}/name', [HistoryController::class, 'name'])->where('seq', '[0-9]{1,15}');
            Route::get('maps/{map}/history/{seq}', [HistoryController::class, 'compare'])->where('seq', '[0-9]{1,15}');
            Route::get('maps/{map}/history/{seq}/picture', [HistoryController::class, 'picture'])->where('seq', '[0-9]{1,15}')->middleware('alone:pictures');
            Route::get('maps/{map}/history/{seq}/branch/{topic}', [HistoryController::class, 'branch'])->where('seq', '[0-9]{1,15}');
            Route::get('maps/{map}/beside/{other}', [CompareController::class, 'map'])->can('work', 'other')->middleware('alone:files');
            Route::get('maps/{map}/trash', [HistoryController::class, 'trash']);
            Route::get('maps/{map}/ideas', [IdeaController::class, 'index']);
            Route::put('maps/{map}/ideas', [IdeaController::class, 'open'])->middleware('account');
            Route::delete('maps/{map}/ideas', [IdeaController::class, 'close'])->middleware('account');
        });
    });
});

Route::get('outbox', [PageController::class, 'outbox']);
Route::get('/{page?}', [PageController::class, 'app'])->where('page', '(?!api/|p/|v/|-/).*');
