<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Calibrations of every kind of probe, zeros, the standards shelf; a probe is known by its serial number. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('benches', function (Blueprint $table): void {
            $table->string('link_name', 60)->nullable()->comment('which bench behind a port that several share');
            $table->json('steady_limits')->nullable()->comment('{kind: {driftPerMinute, scatter, tolerance, windowS}} in the unit of the quantity');
        });
        Schema::table('probes', function (Blueprint $table): void {
            $table->index('bench_id');
            $table->dropUnique(['bench_id', 'channel']);
            $table->index(['serial', 'bench_id']);
            $table->double('stated_slope')->nullable()->comment('the maker\'s line, raw unit per unit of the quantity');
            $table->double('stated_offset')->nullable();
            $table->unsignedSmallInteger('position')->default(0)->comment('where its device names it');
            $table->double('fastest_hz')->default(10.0);
            $table->boolean('is_present')->default(true)->comment('whether its plug is in');
            $table->dateTime('presence_changed_at', 3)->nullable();
            $table->string('moved_from', 60)->nullable()->comment('bench it was carried here from');
        });
        Schema::table('calibrations', function (Blueprint $table): void {
            $table->string('recipe', 40)->default('buffers');
            $table->string('origin', 12)->default('read')->comment('read, copied or factory');
            $table->string('unit', 20)->default('pH');
            $table->double('covariance')->default(0.0)->comment('of slope and offset');
            $table->json('settings')->nullable()->comment('{barometerKpa, boreMm, boreUncertaintyMm, deadVolumeMl, coefficient, celsius}');
            $table->string('verdict', 40)->nullable()->comment('code of the verdict when it was kept');
            $table->foreignId('copied_from_id')->nullable()->constrained('calibrations');
            $table->foreignId('beside_id')->nullable()->comment('the calibration it is read together with')->constrained('calibrations');
            $table->string('set_aside_reason', 200)->nullable();
            $table->double('slope')->nullable()->comment('raw unit per unit of the quantity, with its sign')->change();
            $table->double('offset')->nullable()->comment('raw signal at pH 7, or at nothing')->change();
        });
        // An electrode falls with pH: slopes used to be kept without their sign.
        DB::table('calibrations')->whereNotNull('slope')->update(['slope' => DB::raw('-slope')]);
        DB::table('calibrations')->orderBy('id')->each(static function (object $row): void {
            /** @var list<array{label: string, ph: float, buffer: string|null}> $standards */
            $standards = json_decode((string) $row->standards, true);
            DB::table('calibrations')->where('id', $row->id)->update(['standards' => json_encode(array_map(
                static fn (array $s): array => [
                    'source' => $s['buffer'] === null ? 'typed' : 'buffer', 'code' => (string) $s['buffer'], 'label' => $s['label'],
                    'value' => $s['ph'], 'uncertainty' => 0.01, 'unit' => 'pH', 'shelfId' => null,
                ], $standards,
            ))]);
        });
        Schema::table('calibration_readings', function (Blueprint $table): void {
            $table->renameColumn('ph', 'value');
            $table->renameColumn('millivolts', 'raw');
        });
        Schema::create('shelf_standards', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained();
            $table->string('kind', 40)->comment('kind of probe it is for');
            $table->string('source', 40);
            $table->string('code', 20)->default('');
            $table->string('label', 60);
            $table->double('value');
            $table->double('uncertainty');
            $table->string('unit', 20);
            $table->string('lot', 60)->nullable();
            $table->date('expires_on')->nullable();
            $table->softDeletes();
            $table->timestamps();
        });
        Schema::create('zeros', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('probe_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->double('raw')->comment('raw signal that is taken for nothing');
            $table->double('scatter');
            $table->double('value_before')->comment('what was shown until then');
            $table->string('unit', 20);
            $table->double('taken_at')->comment('clock of the bench, s');
            $table->dateTime('undone_at', 3)->nullable();
            $table->timestamps(3);
            $table->index(['probe_id', 'undone_at', 'id']);
        });
        Schema::table('run_channels', function (Blueprint $table): void {
            $table->foreignId('zero_id')->nullable()->constrained();
        });
        Schema::create('reworkings', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('run_channel_id')->constrained()->cascadeOnDelete();
            $table->foreignId('calibration_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->boolean('is_in_force')->default(false)->comment('whether results are worked out with it');
            $table->timestamps(3);
            $table->unique(['run_channel_id', 'calibration_id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('reworkings');
        Schema::table('run_channels', fn (Blueprint $table) => $table->dropConstrainedForeignId('zero_id'));
        Schema::dropIfExists('zeros');
        Schema::dropIfExists('shelf_standards');
        Schema::table('calibration_readings', function (Blueprint $table): void {
            $table->renameColumn('value', 'ph');
            $table->renameColumn('raw', 'millivolts');
        });
        DB::table('calibrations')->whereNotNull('slope')->update(['slope' => DB::raw('-slope')]);
        Schema::table('calibrations', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('copied_from_id');
            $table->dropConstrainedForeignId('beside_id');
            $table->dropColumn(['recipe', 'origin', 'unit', 'covariance', 'settings', 'verdict', 'set_aside_reason']);
        });
        Schema::table('probes', function (Blueprint $table): void {
            $table->dropIndex(['serial', 'bench_id']);
            $table->unique(['bench_id', 'channel']);
            $table->dropIndex(['bench_id']);
            $table->dropColumn(['stated_slope', 'stated_offset', 'position', 'fastest_hz', 'is_present', 'presence_changed_at', 'moved_from']);
        });
        Schema::table('benches', fn (Blueprint $table) => $table->dropColumn(['link_name', 'steady_limits']));
    }
};
