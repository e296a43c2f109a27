import { Body, Controller, Get, Header, HttpCode, NotFoundException, Param, Post, Query, Req } from '@nestjs/common';
import { ApiBody, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Request } from 'express';
import { asId, dialectsPutBack, newAircraft, partsPutBack, sheetToCsv, writeAircraftFile, type AircraftId } from '@wired-falcon/core';
import {
  AircraftParamsDto,
  AircraftQueryDto,
  ArrivedRequestDto,
  CreateAircraftDto,
  DocumentParamsDto,
  EditsRequestDto,
  PositionParamsDto,
  SinceQueryDto,
  type AircraftResponse,
  type ArrivedResponse,
  type CreatedResponse,
  type EditsResponse,
  type EditsSinceResponse,
  type HangarEntry,
  type PositionResponse,
} from '@wired-falcon/contract';
import { AircraftImport } from '../importing/aircraftImport.ts';
import { makeDocument } from './makeDocument.ts';
import { schemaRef } from '../http/openApi.ts';
import { AircraftStore } from '../workshop/aircraftStore.ts';
import { Epoch } from '../workshop/epoch.ts';
import { Hangar } from '../workshop/hangar.ts';
import { Journal } from '../workshop/journal.ts';
import { JournalReader } from '../workshop/journalReader.ts';
import { Library, partsOf } from '../workshop/library.ts';
import { Positions } from '../workshop/positions.ts';
import { makeId } from '../workshop/makeId.ts';

/** Aircraft: the hangar, one document, its edits, its file. */
@ApiTags('aircraft')
@Controller('aircraft')
export class AircraftController {
  constructor(
    private readonly hangar: Hangar,
    private readonly store: AircraftStore,
    private readonly journal: Journal,
    private readonly reader: JournalReader,
    private readonly positions: Positions,
    private readonly imports: AircraftImport,
    private readonly epoch: Epoch,
    private readonly library: Library,
  ) {}

  @Get()
  @ApiOperation({ summary: 'All aircraft of the workshop, the last changed first' })
  @ApiOkResponse({ description: 'A list of HangarEntry' })
  list(): Promise<HangarEntry[]> {
    return this.hangar.entries();
  }

  @Post()
  @ApiOperation({ summary: 'A new, empty aircraft' })
  @ApiBody({ schema: schemaRef(CreateAircraftDto) })
  async create(@Body() body: CreateAircraftDto): Promise<CreatedResponse> {
    const aircraft = newAircraft(asId<AircraftId>(makeId()), body.name);
    await this.store.create({ aircraft, ...this.library.known }, new Date().toISOString());
    return { id: aircraft.id, name: aircraft.name };
  }

  @Post('import')
  @ApiOperation({ summary: 'An aircraft from its file; a copy when its id is taken' })
  @ApiBody({ schema: { type: 'object', description: 'The aircraft file; see /api/schema/aircraft' } })
  import(@Req() request: Request): Promise<CreatedResponse> {
    const body: unknown = request.body;
    return this.imports.take(body instanceof Uint8Array ? body : new Uint8Array());
  }

  @Get(':id')
  @ApiOperation({ summary: 'The document, the parts that it and its undoing use, and what the author can undo' })
  @ApiOkResponse({ description: 'AircraftResponse' })
  async one(@Param() { id }: AircraftParamsDto, @Query() { author }: AircraftQueryDto): Promise<AircraftResponse> {
    const { design, version, updatedAt } = await this.store.current(id);
    const history = await this.reader.historyOf(id, author);
    const { aircraft } = design;
    const inverses = [...history.undo, ...history.redo].map(({ inverse }) => inverse);
    const parts = this.library.parts.named([...inverses.flatMap((inverse) => [...partsPutBack(inverse)]), ...partsOf(aircraft)]);
    const dialects = this.library.dialects.named([...inverses.flatMap(dialectsPutBack), aircraft.dialect]);
    const { value: epoch } = this.epoch;
    return { epoch, aircraft, version, updatedAt, parts: [...parts.values()], dialects: [...dialects.values()], history };
  }

  @Post(':id/edits')
  @HttpCode(200)
  @ApiOperation({ summary: 'Edits, in order; repeats by editId get their first answer' })
  @ApiBody({ schema: schemaRef(EditsRequestDto) })
  @ApiOkResponse({ description: 'EditsResponse: done with an outcome for each edit, or stale with the edits since' })
  edit(@Param() { id }: AircraftParamsDto, @Body() request: EditsRequestDto): Promise<EditsResponse> {
    return this.journal.submit(id, request);
  }

  @Get(':id/edits')
  @ApiOperation({ summary: 'The edits after a version' })
  since(@Param() { id }: AircraftParamsDto, @Query() { epoch, since }: SinceQueryDto): Promise<EditsSinceResponse> {
    return this.journal.since(id, epoch, since);
  }

  @Post(':id/edits/arrived')
  @HttpCode(200)
  @ApiOperation({ summary: 'Which of some edits are in the journal, and as which versions' })
  @ApiBody({ schema: schemaRef(ArrivedRequestDto) })
  async arrived(@Param() { id }: AircraftParamsDto, @Body() { editIds }: ArrivedRequestDto): Promise<ArrivedResponse> {
    await this.store.current(id);
    return this.reader.arrived(id, editIds);
  }

  @Get(':id/positions/:version')
  @ApiOperation({ summary: 'The document as it was at an earlier version, in the present shape' })
  async position(@Param() { id, version }: PositionParamsDto): Promise<PositionResponse> {
    const aircraft = await this.positions.at(id, version);
    const parts = this.library.parts.named(partsOf(aircraft));
    const dialects = this.library.dialects.named([aircraft.dialect]);
    return { version, aircraft, parts: [...parts.values()], dialects: [...dialects.values()] };
  }

  @Get(':id/documents/:kind/:subject')
  @Header('content-type', 'text/csv; charset=utf-8')
  @ApiOperation({ summary: 'A document as CSV: its kind, and what it is of (`aircraft` for the whole, else an id or a situation)' })
  async document(@Param() { id, kind, subject }: DocumentParamsDto): Promise<string> {
    const { design } = await this.store.current(id);
    const sheet = await makeDocument(design, kind, subject);
    if (sheet === undefined) throw new NotFoundException(`There is no document "${kind}" of "${subject}" in this aircraft.`);
    return sheetToCsv(sheet);
  }

  @Get(':id/export')
  @Header('content-type', 'application/json; charset=utf-8')
  @ApiOperation({ summary: 'The aircraft file: the aircraft and its parts' })
  async export(@Param() { id }: AircraftParamsDto): Promise<string> {
    const { design } = await this.store.current(id);
    return writeAircraftFile(design);
  }
}
