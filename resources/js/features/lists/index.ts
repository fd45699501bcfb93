export { TableIn } from './TableIn';
export { TablesOut } from './TablesOut';
export { CrewPrices } from './CrewPrices';
export { PriceField } from './PriceField';
export { beforeName, eachInWords, ofRow, HOUR, isOf, priced, priceName, readPrice, takesPrice } from './prices';
