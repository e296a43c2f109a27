import { Body, Controller, Get, HttpCode, Param, Post } from '@nestjs/common';
import { ApiBody, ApiOkResponse, ApiOperation, ApiTags } from '@nestjs/swagger';
import { AircraftParamsDto, DumpParamsDto, DumpRemovedDto, KeepDumpDto, type DumpEntry, type DumpResponse } from '@wired-falcon/contract';
import { schemaRef } from '../http/openApi.ts';
import { Dumps } from '../workshop/dumps.ts';

/** Dumps that were read from the controllers of an aircraft. */
@ApiTags('dumps')
@Controller('aircraft/:id/dumps')
export class DumpsController {
  constructor(private readonly dumps: Dumps) {}

  @Get()
  @ApiOperation({ summary: 'The dumps that are kept of an aircraft, the newest first, without their texts' })
  @ApiOkResponse({ description: 'A list of DumpEntry' })
  list(@Param() { id }: AircraftParamsDto): Promise<DumpEntry[]> {
    return this.dumps.list(id);
  }

  @Post()
  @HttpCode(200)
  @ApiOperation({ summary: 'A dump to keep; repeats by its id get their first answer' })
  @ApiBody({ schema: schemaRef(KeepDumpDto) })
  @ApiOkResponse({ description: 'DumpEntry, with the aircraft whose calibration it has, where it was copied' })
  keep(@Param() { id }: AircraftParamsDto, @Body() dump: KeepDumpDto): Promise<DumpEntry> {
    return this.dumps.keep(id, dump, new Date().toISOString());
  }

  @Get(':dump')
  @ApiOperation({ summary: 'One dump with its text' })
  @ApiOkResponse({ description: 'DumpResponse' })
  one(@Param() { id, dump }: DumpParamsDto): Promise<DumpResponse> {
    return this.dumps.one(id, dump);
  }

  @Post(':dump/removed')
  @HttpCode(200)
  @ApiOperation({ summary: 'Takes a dump out of the list, or puts it back' })
  @ApiBody({ schema: schemaRef(DumpRemovedDto) })
  async removed(@Param() { id, dump }: DumpParamsDto, @Body() { removed }: DumpRemovedDto): Promise<{ readonly removed: boolean }> {
    await this.dumps.setRemoved(id, dump, removed ? new Date().toISOString() : null);
    return { removed };
  }
}
