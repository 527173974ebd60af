import { IsBoolean } from 'class-validator'

export class HoldBody {
  @IsBoolean({ message: 'Say whether the chamber can be ground.' }) held!: boolean
}
