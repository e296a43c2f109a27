import { MikroOrmModule } from '@mikro-orm/nestjs';
import { Module, type DynamicModule } from '@nestjs/common';
import { AircraftController } from './aircraft/aircraft.controller.ts';
import { DumpsController } from './aircraft/dumps.controller.ts';
import type { ServerConfig } from './config.ts';
import { ormOptions } from './database/ormOptions.ts';
import { AircraftImport, IMPORT_WORKER } from './importing/aircraftImport.ts';
import { SystemController } from './http/system.controller.ts';
import { AircraftQueue } from './workshop/aircraftQueue.ts';
import { AircraftStore } from './workshop/aircraftStore.ts';
import { CommitGroup } from './workshop/commitGroup.ts';
import { DemoLoader } from './workshop/demoLoader.ts';
import { DesignCache } from './workshop/designCache.ts';
import { Dumps } from './workshop/dumps.ts';
import { Epoch } from './workshop/epoch.ts';
import { Hangar } from './workshop/hangar.ts';
import { PartsController } from './parts/parts.controller.ts';
import { Journal } from './workshop/journal.ts';
import { JournalReader } from './workshop/journalReader.ts';
import { Library } from './workshop/library.ts';
import { DialectsController } from './dialects/dialects.controller.ts';
import { WorkshopDialects } from './workshop/workshopDialects.ts';
import { Positions } from './workshop/positions.ts';
import { WorkshopParts } from './workshop/workshopParts.ts';

@Module({})
export class AppModule {
  static with(config: ServerConfig): DynamicModule {
    return {
      module: AppModule,
      imports: [MikroOrmModule.forRoot({ ...ormOptions(config.databaseFile), registerRequestContext: false })],
      controllers: [AircraftController, DumpsController, DialectsController, PartsController, SystemController],
      providers: [
        { provide: IMPORT_WORKER, useValue: config.importWorker },
        AircraftImport,
        AircraftQueue,
        AircraftStore,
        CommitGroup,
        DemoLoader,
        DesignCache,
        Dumps,
        Epoch,
        Hangar,
        Journal,
        JournalReader,
        Library,
        Positions,
        WorkshopDialects,
        WorkshopParts,
      ],
    };
  }
}
