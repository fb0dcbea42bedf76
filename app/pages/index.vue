<template><el-button>hi</el-button></template>
