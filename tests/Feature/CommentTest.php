<?php

declare(strict_types=1);

use App\Comments\Comments;
use App\Library\Exports;
use App\Mail\Outbox;
use App\Models\Comment;
use App\Models\LetterRecord;
use App\Models\MapRecord;
use App\Models\Notice;
use App\Models\Person;
use App\Sharing\Role;
use App\Sharing\Shares;
use ChalkTree\Map\Ids;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

beforeEach(function () {
    config(['chalk.limits' => false]);
    [$this->tove, $this->ines, $this->bram] = array_map(fn (string $name): Person => $this->person("{$name}@saltmere.example"), ['tove', 'ines', 'bram']);
    $this->map = $this->mapOf($this->tove);
    $this->paper = $this->id($this->map, 'Paper');
    app(Shares::class)->give($this->tove, $this->map, $this->ines->email, Role::Edit);
    app(Shares::class)->give($this->tove, $this->map, $this->bram->email, Role::Comment);
    LetterRecord::query()->delete();
    $this->be = function (Person $who): void {
        $this->flushSession();
        $this->actingAs($who->fresh());
    };
    $this->say = fn (Person $who, string $text, ?string $parent = null, ?string $topic = null): string => app(Comments::class)->say($this->map->fresh(), $who, Ids::next(), $topic ?? $this->paper, $parent, $text)->id;
    $this->told = function (Person $who): array {
        ($this->be)($who);

        return $this->getJson('/api/told')->assertOk()->json('told');
    };
});

it('says, answers, settles, takes up again, changes and takes away, and counts each', function () {
    ($this->be)($this->bram);
    $body = ['id' => $id = Ids::next(), 'topic' => $this->paper, 'parent' => null, 'text' => "  Which paper?\r\nThe old one? "];
    $answer = $this->postJson("/api/maps/{$this->map->id}/comments", $body)->assertOk();
    expectShape('CommentsAnswer', json_decode($answer->getContent()));
    expect($answer->json('comments.0'))->toMatchArray(['id' => $id, 'topic' => $this->paper, 'parent' => null, 'by' => 'Bram', 'isOwn' => true, 'text' => "Which paper?\nThe old one?", 'changed' => null, 'isResolved' => false])->and($answer->json('people'))->toEqualCanonicalizing(['Tove', 'Ines', 'Bram']);
    // Once more says nothing twice.
    $this->postJson("/api/maps/{$this->map->id}/comments", $body)->assertOk()->assertJsonCount(1, 'comments');
    ($this->be)($this->ines);
    $this->postJson("/api/maps/{$this->map->id}/comments", $body)->assertUnprocessable()->assertJsonPath('field', 'id');
    $this->putJson("/api/comments/{$id}/resolved", ['resolved' => true])->assertJsonPath('comments.0.isResolved', true);
    $talk = $this->getJson("/api/maps/{$this->map->id}/edits?since=0")->assertOk()->json('talk');
    $this->postJson("/api/maps/{$this->map->id}/comments", ['id' => $reply = Ids::next(), 'topic' => $this->paper, 'parent' => $id, 'text' => 'The old one.'])->assertJsonPath('comments.0.isResolved', false)->assertJsonPath('comments.1.parent', $id)->assertJsonPath('comments.1.isOwn', true);
    expect($this->getJson("/api/maps/{$this->map->id}/edits?since=0")->json('talk'))->toBeGreaterThan($talk);
    $this->putJson("/api/comments/{$reply}/resolved", ['resolved' => true])->assertUnprocessable();
    $this->patchJson("/api/comments/{$reply}", ['text' => 'The new one.'])->assertJsonPath('comments.1.text', 'The new one.');
    expect($this->getJson("/api/maps/{$this->map->id}/comments")->json('comments.1.changed'))->not->toBeNull();
    ($this->be)($this->tove);
    $this->deleteJson("/api/comments/{$id}")->assertOk()->assertJsonPath('comments', []);
    expect(Comment::query()->count())->toBe(0)->and(Notice::query()->count())->toBe(0);
});

it('says no to what makes no sense, and keeps nothing of it', function (Closure $body, string $field) {
    ($this->be)($this->bram);
    $this->postJson("/api/maps/{$this->map->id}/comments", $body($this) + ['id' => Ids::next(), 'topic' => $this->paper, 'parent' => null, 'text' => 'Well?'])->assertUnprocessable()->assertJsonPath('field', $field);
    expect(Comment::query()->count())->toBe(0);
})->with([
    'nothing said' => [fn () => ['text' => " \n "], 'text'], 'too much' => [fn () => ['text' => str_repeat('é', 4001)], 'text'], 'a topic that is none' => [fn () => ['topic' => Ids::next()], 'topic'], 'an answer to nothing' => [fn () => ['parent' => Ids::next()], 'parent'],
    'no id' => [fn () => ['id' => 'x'], 'id'], 'a topic of another map' => [fn ($test) => ['topic' => $test->mapOf($test->bram)->root], 'topic'], 'text as a list' => [fn () => ['text' => ['a']], 'text'],
]);

it('answers to no answer, and not across topics or maps', function () {
    $first = ($this->say)($this->bram, 'Well?');
    $reply = ($this->say)($this->ines, 'So so.', $first);
    ($this->be)($this->bram);
    foreach ([['parent' => $reply, 'topic' => $this->paper], ['parent' => $first, 'topic' => $this->map->root]] as $body) {
        $this->postJson("/api/maps/{$this->map->id}/comments", $body + ['id' => Ids::next(), 'text' => 'And?'])->assertUnprocessable()->assertJsonPath('field', 'parent');
    }
});

it('tells whom a comment names, and those who spoke where it answers, and nobody twice', function () {
    $first = ($this->say)($this->bram, 'Paper or reed, @ines?');
    expect(array_column(($this->told)($this->ines), 'text'))->toBe(['Paper or reed, @ines?'])->and(($this->told)($this->tove))->toBe([])->and(($this->told)($this->bram))->toBe([]);
    ($this->be)($this->ines);
    expectShape('ToldAnswer', json_decode($this->getJson('/api/told')->getContent()));
    ($this->say)($this->ines, 'Reed. @Ines says so, @Bram.', $first);
    ($this->say)($this->tove, 'Both.', $first);
    expect(array_column(($this->told)($this->bram), 'by'))->toBe(['Tove', 'Ines'])->and(array_column(($this->told)($this->ines), 'text'))->toBe(['Both.', 'Paper or reed, @ines?']);
    $this->putJson("/api/maps/{$this->map->id}/comments/seen")->assertOk()->assertJsonPath('told', []);
    expect(($this->told)($this->bram))->toHaveCount(2);
    // Named only by a change is told too.
    app(Comments::class)->change(Comment::query()->findOrFail($first), 'Paper or reed, @Tove?');
    expect(array_column(($this->told)($this->tove), 'text'))->toBe(['Paper or reed, @Tove?']);
});

it('sends one letter for all that is new, once, and none for what was seen', function () {
    $first = ($this->say)($this->bram, 'Paper or reed, @ines?');
    ($this->say)($this->tove, 'Soon, @ines.', $first);
    Artisan::call('comments:send');
    expect(app(Outbox::class)->latest($this->ines->email))->toBeNull();
    Comment::query()->update(['made' => time() - 400]);
    Artisan::call('comments:send');
    $letter = (string) app(Outbox::class)->latest($this->ines->email);
    expect($letter)->toContain('Bram, about “Paper” in “Festival”:')->toContain('Soon, @ines.')->toContain("/maps/{$this->map->id}/topics/{$this->paper}")->and(Artisan::output())->toBe("ines@saltmere.example\t2\nbram@saltmere.example\t1\n");
    Artisan::call('comments:send');
    expect(Artisan::output())->toBe('');
    ($this->say)($this->ines, 'Now.', $first);
    Comment::query()->update(['made' => time() - 400]);
    ($this->be)($this->bram);
    $this->putJson("/api/maps/{$this->map->id}/comments/seen")->assertOk();
    Artisan::call('comments:send');
    expect(Artisan::output())->toBe("tove@saltmere.example\t1\n");
});

it('lets nobody hear of what is said about topics that they do not see', function () {
    ($this->say)($this->tove, 'Nobody knows of Quillwort, @bram and @ines.');
    ($this->be)($this->tove);
    $this->sendEdits($this->map, [['name' => 'row.set', 'type' => 'private', 'topics' => [$this->paper], 'fields' => ['held' => true]]])->assertOk();
    $hidden = ($this->say)($this->ines, 'Quillwort, @bram!');
    ($this->be)($this->bram);
    $this->getJson("/api/maps/{$this->map->id}/comments")->assertOk()->assertJsonPath('comments', []);
    expect(($this->told)($this->bram))->toBe([])->and(($this->told)($this->ines))->toHaveCount(1);
    ($this->be)($this->bram);
    $this->patchJson("/api/comments/{$hidden}", ['text' => 'x'])->assertNotFound();
    $this->putJson("/api/comments/{$hidden}/resolved", ['resolved' => true])->assertNotFound();
    $this->postJson("/api/maps/{$this->map->id}/comments", ['id' => Ids::next(), 'topic' => $this->paper, 'parent' => null, 'text' => 'Well?'])->assertUnprocessable();
    // Nor does a letter.
    Comment::query()->update(['made' => time() - 400]);
    Artisan::call('comments:send');
    expect((string) app(Outbox::class)->latest($this->ines->email))->toContain('about something private')->not->toContain('Quillwort')->and(app(Outbox::class)->latest($this->bram->email))->toBeNull();
});

it('keeps comments out of everything that is handed over, copied or compared', function () {
    ($this->say)($this->tove, 'Quillwort about paper.');
    ($this->be)($this->tove);
    foreach (Exports::names() as $to) {
        expect(stripos((string) ($to === Exports::ARCHIVE ? $this->get("/api/maps/{$this->map->id}/export?to={$to}")->streamedContent() : $this->get("/api/maps/{$this->map->id}/export?to={$to}")->assertOk()->getContent()), 'quillwort'))->toBeFalse();
    }
    $copy = $this->postJson("/api/maps/{$this->map->id}/duplicate")->assertCreated()->json('id');
    expect($this->getJson("/api/maps/{$copy}/comments")->json('comments'))->toBe([])->and($this->getJson("/api/maps/{$this->map->id}")->getContent())->not->toContain('Quillwort')->and($this->getJson("/api/maps/{$this->map->id}/history/0")->getContent())->not->toContain('Quillwort');
});

it('follows its topic: gone with it, there again with it, and ended with what was shared', function () {
    ($this->say)($this->bram, 'Well, @ines?');
    ($this->be)($this->tove);
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$this->paper]]])->assertOk();
    $this->getJson("/api/maps/{$this->map->id}/comments")->assertJsonPath('comments', []);
    expect(($this->told)($this->ines))->toBe([]);
    ($this->be)($this->tove);
    $this->sendEdits($this->map, [['name' => 'topic.restore', 'topics' => [$this->paper]]], 1)->assertOk();
    $this->getJson("/api/maps/{$this->map->id}/comments")->assertJsonCount(1, 'comments');
    expect(($this->told)($this->ines))->toHaveCount(1);
    app(Shares::class)->end(app(Shares::class)->of($this->map)->where('email', $this->ines->email)->firstOrFail());
    expect(($this->told)($this->ines))->toBe([]);
});

it('tells who comes back what others did meanwhile, once', function () {
    $this->travelTo('2026-11-27 09:00');
    ($this->be)($this->ines);
    $this->getJson("/api/maps/{$this->map->id}")->assertJsonPath('missed', null);
    $this->travelTo('2026-11-27 09:30');
    ($this->be)($this->tove);
    $this->sendEdits($this->map, [['name' => 'topic.retitle', 'topic' => $this->paper, 'title' => 'Tissue'], ['name' => 'topic.retitle', 'topic' => $this->map->root, 'title' => 'Feast']])->assertOk();
    // Who goes on within ten minutes is not told, who was never there neither.
    $this->getJson("/api/maps/{$this->map->id}")->assertJsonPath('missed', null);
    ($this->be)($this->bram);
    $this->getJson("/api/maps/{$this->map->id}")->assertJsonPath('missed', null);
    $this->travelTo('2026-11-28 09:00');
    ($this->be)($this->ines);
    $answer = $this->getJson("/api/maps/{$this->map->id}");
    expectShape('OpenAnswer', json_decode($answer->getContent()));
    expect($answer->json('missed'))->toBe(['seq' => 0, 'edits' => 2, 'by' => ['Tove'], 'last' => '2026-11-27T09:00:00Z']);
    $this->getJson("/api/maps/{$this->map->id}/history/0")->assertOk();
    $this->travelTo('2026-11-29 09:00');
    ($this->be)($this->ines);
    $this->getJson("/api/maps/{$this->map->id}")->assertJsonPath('missed', null);
    expect(MapRecord::query()->count())->toBe(1);
});

it('goes with topics that are cleared for good', function () {
    ($this->say)($this->bram, 'Well?');
    ($this->say)($this->bram, 'And the boats?', null, $this->id($this->map, 'Boats'));
    ($this->be)($this->tove);
    $this->sendEdits($this->map, [['name' => 'topic.remove', 'topics' => [$this->paper]]])->assertOk();
    $this->deleteJson("/api/maps/{$this->map->id}/trash")->assertOk();
    expect(Comment::query()->pluck('text')->all())->toBe(['And the boats?']);
});

it('reads a map once, however many are told of a comment or hear of many', function () {
    foreach (range(1, 12) as $n) {
        app(Shares::class)->give($this->tove, $this->map, $this->person("helper{$n}@saltmere.example")->email, Role::Comment);
    }
    $loads = 0;
    DB::listen(function ($query) use (&$loads): void {
        $loads += str_contains($query->sql, 'from "map_rows"') ? 1 : 0;
    });
    $first = ($this->say)($this->tove, implode(' ', array_map(fn (int $n): string => "@helper{$n}", range(1, 12))));
    expect(Notice::query()->count())->toBe(12)->and($loads)->toBeLessThan(4);
    foreach (range(1, 20) as $n) {
        ($this->say)($this->tove, "@bram {$n}", $first);
    }
    ($this->be)($this->bram);
    $loads = 0;
    $this->getJson('/api/told')->assertOk()->assertJsonCount(20, 'told');
    expect($loads)->toBeLessThan(4);
});
