import { Controller, Get } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { AircraftFileSchema, DialectFileSchema, EditSchema, PartFileSchema, SCHEMA_VERSION } from '@wired-falcon/core';

/** The server about itself, and the published shapes. */
@ApiTags('system')
@Controller()
export class SystemController {
  @Get('health')
  @ApiOperation({ summary: 'Answers when the server is ready' })
  health(): { ok: true; schema: number } {
    return { ok: true, schema: SCHEMA_VERSION };
  }

  @Get('schema/aircraft')
  @ApiOperation({ summary: 'JSON Schema of the aircraft file' })
  aircraftSchema(): object {
    return AircraftFileSchema;
  }

  @Get('schema/part')
  @ApiOperation({ summary: 'JSON Schema of the part file' })
  partSchema(): object {
    return PartFileSchema;
  }

  @Get('schema/dialect')
  @ApiOperation({ summary: 'JSON Schema of the dialect file' })
  dialectSchema(): object {
    return DialectFileSchema;
  }

  @Get('schema/edit')
  @ApiOperation({ summary: 'JSON Schema of an edit' })
  editSchema(): object {
    return EditSchema;
  }
}
